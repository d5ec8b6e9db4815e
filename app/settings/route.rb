# frozen_string_literal: true

module Settings
  # One's own ways, and for the office the shop's.
  class Route < Shared::Route
    get("/settings") { page }

    post "/settings/me" do
      form = ProfileForm.new(current_user, params)
      halt 422, page(faults: form.faults, typed: params) unless form.save
      back_to "/settings", "Kept."
    end

    post "/settings/appearance" do
      current_user.update!(appearance: params[:appearance]) if User::APPEARANCES.include?(params[:appearance])
      redirect to(request.referer.to_s[%r{\Ahttps?://#{Regexp.escape(request.host_with_port)}(/[^\s]*)\z}, 1] || "/"),
        303
    end

    post "/settings/password" do
      faults = change_password
      halt 422, page(faults:) if faults.any?
      session[:version] = current_user.session_version
      back_to "/settings", "Password changed. Other devices are signed out."
    end

    post "/settings/tokens" do
      token = ApiToken.issue(current_user, params[:label].to_s.strip)
      halt 422, page(faults: {"label" => token.errors.first&.message}, typed: params) unless token.persisted?
      page(fresh_token: token.secret)
    end

    post "/settings/tokens/:id/revoke" do
      current_user.api_tokens.find(whole(params[:id])).update!(revoked_at: Time.now)
      back_to "/settings", "Token revoked."
    end

    post "/settings/shop" do
      need :edit_shop
      form = ShopForm.new(params)
      halt 422, page(faults: form.faults, typed: params) unless form.save
      back_to "/settings", "The shop's settings are kept."
    end

    post "/settings/people" do
      need :manage_people
      user =
        User.new(
          name: params[:name].to_s.strip,
          login: params[:login].to_s.strip.downcase,
          role: params[:role].to_s,
          password: params[:password].to_s,
          # As the shop measures; each may change it for themselves.
          unit_system: current_user.unit_system
        )
      unless user.save
        halt 422,
          page(faults: user.errors.messages.to_h { |field, messages| [field.to_s, messages.first] }, typed: params)
      end
      back_to "/settings", "#{user.name} can sign in now."
    end

    post "/settings/people/:id/link" do
      need :manage_people
      user = User.active.find(whole(params[:id]))
      page(password_link: [user, "#{request.base_url}/new-password/#{PasswordLink.issue(user, current_user)}"])
    end

    # Who may move refrigerant, by the number of the licence; none takes it away.
    post "/settings/people/:id/licence" do
      need :manage_people
      user = User.find(whole(params[:id]))
      number = params[:licence].to_s.strip[0, 60].presence
      user.update!(licensed: !number.nil?, licence: number)
      back_to "/settings", "#{user.name} #{number ? "may" : "may no longer"} move refrigerant."
    end

    # This device too: whoever lost a phone begins anew.
    post "/settings/sign-out-everywhere" do
      current_user.update!(session_version: current_user.session_version + 1)
      session.clear
      redirect to("/sign-in"), 303
    end

    post "/settings/people/:id" do
      need :manage_people
      user = User.find(whole(params[:id]))
      halt(*refuse(422, "You cannot shut yourself out", "Ask another office user to do it.")) if user == current_user
      user.update!(active: params[:active] == "1", session_version: user.session_version + 1)
      back_to "/settings", "#{user.name} #{user.active ? "can sign in again" : "can no longer sign in"}."
    end

    private

    def page(faults: {}, typed: {}, fresh_token: nil, password_link: nil)
      erb(:settings, locals: {faults:, typed:, fresh_token:, password_link:, people: User.order(:name)})
    end

    def change_password
      unless current_user.authenticate(params[:old_password].to_s)
        return {"old_password" => "That is not your present password."}
      end
      current_user.password = params[:new_password].to_s
      current_user.session_version += 1
      current_user.save ? {} : {"new_password" => current_user.errors.first.message}
    end
  end
end
