# frozen_string_literal: true

module People
  # Signing in and out.
  class SignIn < Shared::Route
    # Fewer wrong passwords than these are one's own slips.
    TOLD_FROM = 3

    get "/sign-in" do
      redirect to("/first-run"), 303 if User.none?
      redirect to("/"), 303 if current_user
      erb :sign_in, locals: {login: nil, fault: nil}
    end

    post "/sign-in" do
      user = User.authenticate(params[:login], params[:password])
      unless user
        halt 422, erb(:sign_in, locals: {login: params[:login], fault: "Name and password do not go together."})
      end
      target = inside(params[:then])
      env["rack.session.options"][:renew] = true
      session.clear
      open_session(user)
      warn_of_tries(user)
      redirect to(target), 303
    end

    post "/sign-out" do
      EndedSession.take(session[:key])
      session.clear
      redirect to("/sign-in"), 303
    end

    private

    # Whoever is tried to be broken in at hears of it.
    def warn_of_tries(user)
      count, last = user.tell_wrong_tries
      return unless count && count >= TOLD_FROM
      tell "Before this, a wrong password was tried #{count} times for your name, last #{day_clock(last)}. " \
        "If that was not you: choose a new password in the settings."
    end

    def open_door? = true

    # Only a path of our own to go on to.
    def inside(path) = path.to_s.match?(%r{\A/(?![/\\])[^\s]*\z}) ? path : "/"
  end
end
