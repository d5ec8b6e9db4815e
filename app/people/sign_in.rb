# frozen_string_literal: true

module People
  # Signing in and out.
  class SignIn < Shared::Route
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
      redirect to(target), 303
    end

    post "/sign-out" do
      EndedSession.take(session[:key])
      session.clear
      redirect to("/sign-in"), 303
    end

    private

    def open_door? = true

    # Only a path of our own to go on to.
    def inside(path) = path.to_s.match?(%r{\A/(?![/\\])[^\s]*\z}) ? path : "/"
  end
end
