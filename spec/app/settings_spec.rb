# frozen_string_literal: true

require_relative "app_spec_helper"

# One's own settings, and who signs in: the office's, and nobody else's.
RSpec.describe Settings::Route, :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:technician) { create(:user) }

  def as(user)
    sign_in user
    get "/settings"
  end

  def post_to(path, **fields)
    send_form "/settings#{path}", **fields
    status
  end

  it "gives a token once, keeps only its digest, and takes it back" do
    as technician
    expect(post_to("/tokens", label: " ")).to eq 422
    expect(page).to include "Say what it is for."
    expect(post_to("/tokens", label: "clamp")).to eq 200
    secret = page[/fenbo_[\w-]{20,}/]
    token = ApiToken.find_by!(label: "clamp")
    expect([token.digest, ApiToken.user_of(secret)]).to eq [ApiToken.digest_of(secret), technician]
    get "/settings"
    expect(page).not_to include secret
    expect(post_to("/tokens/#{token.id}/revoke")).to eq 303
    expect(ApiToken.user_of(secret)).to be_nil
  end

  it "leaves other people's tokens alone" do
    other = ApiToken.issue(office, "office")
    as technician
    expect(post_to("/tokens/#{other.id}/revoke")).to eq 404
    expect(other.reload.revoked_at).to be_nil
  end

  it "changes a password for whoever knows the old one, and signs the other devices out" do
    as technician
    version = technician.session_version
    expect(post_to("/password", old_password: "wrong", new_password: "quite another sentence")).to eq 422
    expect(page).to include "not your present password"
    expect(post_to("/password", old_password: "a long enough word", new_password: "short")).to eq 422
    expect(page).to include "Twelve to seventy-two characters"
    expect(post_to("/password", old_password: "a long enough word", new_password: "quite another sentence")).to eq 303
    expect(technician.reload.session_version).to eq version + 1
    get "/settings"
    expect(status).to eq 200
  end

  it "takes somebody on with a role and the shop's units, and names every wrong field" do
    office.update!(unit_system: "us")
    as office
    expect(post_to("/people", name: "", login: "No Spaces", role: "wizard", password: "password1234")).to eq 422
    expect(page).to include "Please give a name.", "Two to forty small letters", "Choose a role."
    expect(post_to("/people", name: "Nessa Oum", login: " Nessa ", role: "apprentice",
      password: "copper tube and frost")).to eq 303
    expect(User.find_by!(login: "nessa")).to have_attributes(role: "apprentice", active: true, unit_system: "us")
    expect(post_to("/people", name: "Other", login: "nessa", role: "office",
      password: "copper tube and frost")).to eq 422
    expect(page).to include "Somebody has this sign-in name already."
  end

  it "shuts somebody out at once and lets them in again, but nobody themselves" do
    on_phone = -> { with_session(:phone) { get("/settings").status } }
    with_session(:phone) { sign_in technician }
    expect(on_phone.call).to eq 200
    as office
    expect(post_to("/people/#{technician.id}", active: "0")).to eq 303
    follow_redirect!
    expect(page).to include "#{technician.name} can no longer sign in"
    expect(post_to("/people/#{office.id}", active: "0")).to eq 422
    expect([office.reload.active, technician.reload.active, on_phone.call]).to eq [true, false, 303]
    expect(post_to("/people/#{technician.id}", active: "1")).to eq 303
    expect(on_phone.call).to eq 303
    with_session(:phone) { sign_in technician }
    expect(on_phone.call).to eq 200
  end

  it "notes a licence for refrigerant and takes it away" do
    as office
    post_to("/people/#{technician.id}/licence", licence: " K-77 ")
    expect(technician.reload).to have_attributes(licensed: true, licence: "K-77")
    expect(Policy.allows?(technician, :move_refrigerant)).to be true
    post_to("/people/#{technician.id}/licence", licence: " ")
    expect(technician.reload).to have_attributes(licensed: false, licence: nil)
  end

  it "is the office's alone where it is about others or the shop" do
    as technician
    paths = ["/shop", "/people", "/people/#{office.id}", "/people/#{office.id}/link", "/people/#{office.id}/licence"]
    expect(paths.to_h { |path| [path, post_to(path)] }).to eq paths.to_h { |path| [path, 403] }
    expect(office.reload.active).to be true
  end

  it "changes how it looks from any page, and leads back there and nowhere else" do
    as technician
    header "Referer", "http://example.org/units?q=milk"
    expect(post_to("/appearance", appearance: "dark")).to eq 303
    expect([last_response["location"], technician.reload.appearance]).to match [end_with("/units?q=milk"), "dark"]
    header "Referer", "http://elsewhere.example/units"
    post_to("/appearance", appearance: "pink")
    expect([last_response["location"], technician.reload.appearance]).to eq ["http://example.org/", "dark"]
  ensure
    header "Referer", nil
  end

  it "keeps when the shop works, for the week and what comes in time, and what overtime costs" do
    as office
    figures = {shop_name: "North Cooling", rate: "96", work_from: "05:30", work_to: "13:00"}
    expect(post_to("/shop", **figures, work_to: "05:00", overtime: "0")).to eq 422
    expect(page).to include "Tick one at least", "Later than the first", "A number from 1 to 10", 'value="05:30"'
    expect(post_to("/shop", **figures, work_days: %w[2 6 9], overtime: "1,75")).to eq 303
    expect(Setting.work_week).to eq "days" => [2, 6], "from" => "05:30", "to" => "13:00", "closed" => []
    expect(Setting.read("overtime_factor")).to eq 1.75
    plan = Week::Plan.new(now: Time.local(2031, 5, 5, 8), limits: Shared::Shop.limits)
    expect([plan.work_hours.days, Week::Drawing.new(plan, movable: true).measures[:from]]).to eq [[2, 6], 5]
    expect(post_to("/shop", shop_name: "North Cooling", rate: "96")).to eq 303
    expect(Setting.work_week["days"]).to eq [2, 6]
  end

  it "keeps the shop's figures, and shows them again where one is refused" do
    as office
    expect(post_to("/shop", shop_name: "", rate: "9999999", tax: "120", deposit: "x", currency: "SHELLS", rounding: "7",
      quote_days: "0", holidays: "2031-13-01", limits: {"amps.none" => "nothing"})).to eq 422
    expect(page.scan('class="fault"').size).to be >= 7
    expect(page).to include 'value="9999999"'
    expect(post_to("/shop", shop_name: "North Cooling", rate: "88,50", holidays: "2031-12-26\n2031-12-25 2031-12-26",
      limits: {"amps.none" => Fenbo::Limits.default["amps.none"].to_s, "amps.window_low" => "0.7"})).to eq 303
    expect(%w[shop_name rate_per_hour_cents holidays limits].map { |name| Setting.read(name) }).to eq [
      "North Cooling", 8850, %w[2031-12-25 2031-12-26], {"amps.window_low" => 0.7}
    ]
  end
end
