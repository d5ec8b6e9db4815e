# frozen_string_literal: true

module Api
  # /up answers 200 only if the database answers.
  class Health < Shared::Route
    get "/up" do
      content_type :text
      Database.alive? ? "up\n" : halt(503, "the database is away\n")
    end

    private

    def open_door? = true

    def current_user = nil
  end
end
