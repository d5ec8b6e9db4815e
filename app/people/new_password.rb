# frozen_string_literal: true

module People
  # Where the office's link leads: a new password of one's own.
  class NewPassword < Shared::Route
    get "/new-password/:secret" do
      page
    end

    post "/new-password/:secret" do
      found = link
      halt 422, page("Type a password.") if params[:password].to_s.empty?
      halt 422, page("Both times the same, please.") unless params[:password] == params[:again]
      halt 422, page(found.user.errors.first&.message) unless found.use(params[:password].to_s)
      session.clear
      tell "Your new password counts from now on."
      redirect to("/sign-in"), 303
    end

    private

    def open_door? = true

    # Whoever has the link may as well know why it leads nowhere.
    def link
      @link ||= PasswordLink.of(params[:secret]) ||
        halt(*refuse(404, "This link has ended", "It works once, and for a day. Ask the office for another."))
    end

    def page(fault = nil)
      erb :new_password, locals: {person: link.user, fault:}
    end
  end
end
