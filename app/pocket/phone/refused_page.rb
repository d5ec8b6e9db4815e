# frozen_string_literal: true

# The last page that refused a form.
class RefusedPage
  attr_reader :id, :body

  class << self
    attr_reader :last

    def create!(user:, body:) = @last = new(body)

    def find_by!(id:, user:)
      (last if last&.id == id) || raise(ActiveRecord::RecordNotFound)
    end
  end

  def initialize(body)
    @id = SecureRandom.uuid
    @body = body
  end

  def path = "/refused/#{id}"
end
