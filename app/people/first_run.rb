# frozen_string_literal: true

module People
  # The first office user, while there is nobody yet.
  class FirstRun < Shared::Route
    get "/first-run" do
      redirect to("/"), 303 if User.any?
      erb :first_run, locals: {user: User.new}
    end

    post "/first-run" do
      user = User.transaction { first }
      redirect to("/"), 303 unless user
      halt 422, erb(:first_run, locals: {user:}) unless user.persisted?
      session.clear
      open_session(user)
      redirect to("/settings"), 303
    end

    private

    # Nil where somebody was quicker: one after another, however many press at once.
    def first
      User.connection.execute("LOCK TABLE users IN SHARE ROW EXCLUSIVE MODE")
      return if User.uncached { User.any? }
      user =
        User.new(
          name: params[:name],
          login: params[:login].to_s.strip.downcase,
          password: params[:password],
          role: "office"
        )
      user.tap(&:save)
    end

    def open_door? = true
  end
end
