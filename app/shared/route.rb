# frozen_string_literal: true

module Shared
  # What every route shares: who is asking, what they may do, forgery protection,
  # and how wrong turns look.
  class Route < Sinatra::Base
    include Html
    include Figures
    include Words
    include Pictures
    include InstrumentPictures
    include OnAJob
    include Once
    include Sent

    SHARED_VIEWS = File.expand_path("views", __dir__)

    set :root, File.expand_path("..", __dir__)
    set :views, SHARED_VIEWS
    set :erb, escape_html: true, layout: :layout
    set :show_exceptions, false
    set :raise_errors, false
    set :dump_errors, false
    set :static, false
    set :sessions, false
    set :protection, false
    set :host_authorization, {permitted_hosts: []}

    register Refusals

    # A form that cannot be taken as it is, or that somebody was quicker with.
    REFUSED = [409, 422].freeze

    TOKEN = Rack::Protection::AuthenticityToken.new(nil)

    # A room's pages lie beside its routes.
    def self.inherited(room)
      super
      room.set :views, File.join(File.dirname(caller_locations(1..1).first.absolute_path), "views")
    end

    # A page without anything that could be missing itself, for when all else is.
    def self.plain_page(status, title, text, headers = {})
      @plain ||= Tilt::ErubiTemplate.new(File.join(SHARED_VIEWS, "plain.erb"), escape_html: true)
      body = @plain.render(Object.new, title:, text:, status:)
      [status, {"content-type" => "text/html; charset=utf-8"}.merge(headers), [body]]
    end

    before do
      cache_control :no_store
      @session_before = session.to_hash
      # Reached by TLS, the cookie never travels without it.
      env["rack.session.options"][:secure] = request.ssl?
      raise Sinatra::BadRequest, "unreadable" if unreadable?(params)
      if writing? && !TOKEN.accepts?(env)
        halt(
          *refuse(
            403,
            "This page was too old",
            "Go back, reload the page and send it once more. What you typed is still there."
          )
        )
      end
      Current.user = current_user
      unless current_user || open_door?
        redirect to(User.none? ? "/first-run" : "/sign-in?then=#{Rack::Utils.escape(request.fullpath)}"), 303
      end
    end

    # A look that changed nothing leaves the session's cookie alone. Sent late, beside another
    # answer, it would bring an older session back: a lost message, or somebody signed out
    # signed in again.
    after { env["rack.session.options"][:skip] = true if looking? && session.to_hash == @session_before }

    # A page that refuses a form gets an address of its own, so that it can be reloaded.
    after do
      if REFUSED.include?(status) && writing? && current_user && page?
        kept = RefusedPage.create!(user: current_user, body: Array(response.body).join)
        headers "HX-Push-Url" => kept.path
      end
    end

    # Sinatra would otherwise swallow what DatabaseAway has to see.
    def handle_exception!(problem)
      if Database::AWAY.any? { |kind| problem.is_a?(kind) } || problem.is_a?(ActiveRecord::StatementInvalid)
        raise problem
      end
      super
    end

    private

    # The room's own pages first, then those that rooms share.
    def find_template(views, name, engine, &block)
      [views, SHARED_VIEWS].uniq.each { |folder| super(folder, name, engine, &block) }
    end

    def nothing_here
      refuse(404, "There is nothing here", "The address leads nowhere, or what was here has another number.")
    end

    def looking? = request.get? || request.head?

    def writing? = !looking? && !env["fenbo.bearer"]

    # Whether somebody is shown the answer as a page.
    def page?
      !env["fenbo.without_page"] && (content_type.nil? || content_type.include?("html"))
    end

    # Pages that need nobody signed in.
    def open_door? = false

    def current_user
      return @current_user if defined?(@current_user)
      # What this Fenbo brings through its own doors has shown itself before.
      return @current_user = env["fenbo.user"] if env["fenbo.user"]
      user = session[:user_id] && User.of_session(session[:user_id], session[:key])
      @current_user = (user if user && user.session_version == session[:version])
    end

    def session = env["rack.session"]

    # From here on the session is this person's, under a key of its own.
    def open_session(user)
      session[:user_id] = user.id
      session[:version] = user.session_version
      session[:key] = SecureRandom.urlsafe_base64(16)
    end

    # What is offered: what the role allows and the job in hand still takes.
    def may?(action) = role_may?(action) && takes?(action)

    def role_may?(action) = Policy.allows?(current_user, action)

    def need(action)
      raise NotAllowed, Policy.why_not(action) unless role_may?(action)
    end

    def refuse(code, title, text)
      if request.path.start_with?("/api/")
        return code, {"content-type" => "application/json"}, JSON.generate(errors: [{field: "", message: title}])
      end
      return code, {"content-type" => "text/plain"}, "#{title}. #{text}" if env["fenbo.without_page"]
      [code, erb(:error, locals: {code:, title:, text:})]
    end

    # Where a page that refuses leads: address and words.
    def home = ["/", "To the day board"]

    # One sentence shown at the top of the next page.
    def tell(text) = session[:told] = text

    def told = @told ||= session.delete(:told)

    def back_to(path, told = nil)
      tell(told) if told
      redirect to(path), 303
    end
  end
end
