# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe PasswordLink, :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:person) { create(:user) }

  def make
    sign_in office
    get "/settings"
    send_form "/settings/people/#{person.id}/link"
    page[%r{/new-password/[\w-]+}]
  end

  it "lets somebody in with a password of their own, once, and ends every session before" do
    link = make
    clear_cookies
    get link
    expect([status, page]).to match [200, include(person.name)]
    send_form link, password: "short", again: "short"
    expect([status, page]).to match [422, include("Twelve to seventy-two")]
    send_form link, password: "a brand new word", again: "another word"
    expect(page).to include "Both times the same"
    before = person.reload.session_version
    send_form link, password: "a brand new word", again: "a brand new word"
    expect([status, person.reload.session_version]).to eq [303, before + 1]
    expect(User.authenticate(person.login, "a brand new word")).to eq person
    get "/sign-in"
    send_form link, password: "and one more word", again: "and one more word"
    expect([status, page]).to match [404, include("This link has ended")]
  end

  it "ends after a day, with the next one made, and is kept as a digest only" do
    first = make
    second = make
    clear_cookies
    get first
    expect(status).to eq 404
    get second
    expect(status).to eq 200
    expect(described_class.pluck(:digest).join).not_to include second.split("/").last
    described_class.update_all(expires_at: 1.minute.ago)
    get second
    expect(status).to eq 404
    get "/new-password/guess"
    expect(status).to eq 404
  end

  it "signs out everywhere, this device too" do
    sign_in person
    get "/settings"
    before = person.session_version
    send_form "/settings/sign-out-everywhere"
    expect(person.reload.session_version).to eq before + 1
    get "/settings"
    expect(last_response["location"]).to include "/sign-in"
  end
end
