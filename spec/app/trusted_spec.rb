# frozen_string_literal: true

require_relative "app_spec_helper"

# What goes wrong by itself, by haste and by ill will.
RSpec.describe "what can be trusted", :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:technician) { create(:user) }
  let(:job) { create(:job) }

  describe "two people at one thing" do
    before do
      sign_in technician
      get plate
    end

    let(:plate) { "/units/#{job.unit_id}/fans/evaporator-1" }

    def keep_plate(amps, **version)
      send_form plate, family: "psc", volts: "230", amps:, **version
      last_response.status
    end

    def shown
      %w[motor lock_version].to_h { |name| [name.to_sym, page[/name="#{name}" value="([^"]*)"/, 1]] }
    end

    it "writes no plate over one that was noted meanwhile" do
      none = shown
      expect([keep_plate("0.5", **none), keep_plate("0.6", **none)]).to eq [303, 409]
      get plate
      first = shown
      expect([keep_plate("0.7", **first), keep_plate("0.8", **first)]).to eq [303, 409]
      expect(job.unit.position("evaporator-1").reload.motor_now.amps).to eq [0.7]
    end

    it "leaves alone what a form did not bring" do
      customer = create(:customer, name: "Quay foods", phone: "12 34", rules: "Ring first", overtime_allowed: true)
      site = create(:site, customer:, name: "Cellar", address: "Quay 4", access_notes: "Key at the bakery")
      sign_in office
      get "/customers/#{customer.id}"
      send_form "/customers/#{customer.id}", phone: "56 78", site_name: "Cellar", site_hours: "8 to 16"
      expect(customer.reload).to have_attributes(name: "Quay foods", phone: "56 78", rules: "Ring first",
        overtime_allowed: true)
      expect(site.reload).to have_attributes(address: "Quay 4", access_notes: "Key at the bakery", hours: "8 to 16")
    end

    it "changes the site that was opened as it was sent, and no other customer's" do
      customer, other = create(:customer), create(:site, name: "Elsewhere")
      site = create(:site, customer:, name: "Cellar", address: "Quay 4", access_notes: "Key at the bakery")
      sign_in office
      get "/customers/#{customer.id}?site=#{site.id}"
      expect(page).to include('value="Quay 4"', 'value="Key at the bakery"', "Change Cellar")
      change = ->(id, **typed) { send_form "/customers/#{customer.id}", name: customer.name, site: id, **typed }
      change.call(site.id, site_name: " ", site_address: "Quay 5")
      expect([status, page]).to match [422, include("Which site is that?", 'value="Quay 5"', %(value="#{site.id}"))]
      change.call(site.id, site_name: "Vault", site_address: "Quay 5", site_access: "")
      expect(site.reload).to have_attributes(name: "Vault", address: "Quay 5", access_notes: nil)
      expect { change.call(other.id, site_name: "Vault") }.not_to(change { other.reload.attributes })
    end
  end

  describe "photos" do
    before do
      sign_in technician
      get "/jobs/#{job.number}/look"
    end

    def send_photo(bytes)
      send_form "/jobs/#{job.number}/photos", fan: "evaporator-1", photo: picture(bytes), client_id: SecureRandom.uuid
    end

    it "keeps a small copy for the lists" do
      send_photo png(1200, 900)
      photo = Photo.find_by!(job:)
      get "/photos/#{photo.client_id}/small"
      picture = Vips::Image.new_from_buffer(last_response.body, "")
      expect([last_response["content-type"], picture.width, picture.height]).to eq ["image/webp", 480, 360]
      get "/jobs/#{job.number}/look"
      expect(page).to include "/photos/#{photo.client_id}/small"
    end

    it "refuses what unpacks into billions of points, and what is broken behind its heading" do
      send_photo png(60_000, 60_000, rows: 1)
      expect([last_response.status, page]).to match [422, include("million points")]
      send_photo png(400, 400).tap { |bytes| bytes[60, 200] = "?" * 200 }
      expect([last_response.status, page]).to match [422, include("The photo is broken")]
      expect(Photo.where(job:)).to be_empty
    end
  end

  it "tells a person of the wrong passwords that were tried for their name" do
    2.times do |round|
      get "/sign-in"
      (3 * round).times { send_form "/sign-in", login: technician.login, password: "not this one" }
      send_form "/sign-in", login: technician.login, password: technician.password
      get "/"
      heard = page.include?("a wrong password was tried 3 times for your name")
      expect([round, heard]).to eq [round, round == 1]
      clear_cookies
    end
    expect(technician.reload.wrong_tries).to eq 0
  end

  it "refuses settings that are slips of the finger, at their field" do
    sign_in office
    get "/settings"
    send_form "/settings/shop", :shop_name => "Shop", :rate => "9999999.99",
      "limits[diagnosis.second_trip_minutes]" => "24000000"
    expect(last_response.status).to eq 422
    expect(page).to include "At most", "too far from the usual 240"
  end

  describe "reached by TLS" do
    it "is strict, and its cookie never travels without" do
      get "/sign-in"
      expect([last_response["strict-transport-security"], last_response["set-cookie"]]).to match [nil, satisfy { |one|
        !one.include?("secure")
      }]
      clear_cookies
      get "/sign-in", {}, {"HTTPS" => "on", "rack.url_scheme" => "https"}
      expect(last_response["strict-transport-security"]).to match(/max-age=\d{8}/)
      expect(last_response["set-cookie"]).to include "secure"
    end

    it "believes no header about the address it was reached by" do
      sign_in technician
      get "/jobs/#{job.number}/hand_over"
      header "X-Forwarded-Host", "elsewhere.example"
      header "X-Forwarded-Proto", "https"
      send_form "/jobs/#{job.number}/sheet"
      expect(page).to match(%r{http://example\.org/sheet/}).and satisfy { |one| !one.include?("elsewhere") }
    end
  end

  it "lets one heavy reading go on, one wait, and tells the next" do
    stub_const("Shared::Heavy::PATIENCE", 0.3)
    going, let_go = Queue.new, Queue.new
    first = Thread.new { Shared::Heavy.turn { going.push(1) && let_go.pop } }
    going.pop
    waiting = Thread.new { Shared::Heavy.turn { :mine } }
    sleep 0.05 until waiting.stop?
    expect { Shared::Heavy.turn { :never } }.to raise_error(Shared::Heavy::Busy)
    let_go.push(:done)
    expect([first.value, waiting.value, Shared::Heavy.turn { :after }]).to eq %i[done mine after]
  end

  it "gives up on a database that stands still, and lets nobody else wait for it meanwhile" do
    stub_const("Patience::REST", 0.2)
    expect { Patience.at_most(0.05) { sleep 5 } }.to raise_error(Patience::Frozen)
    asked = false
    answer = Web::DatabaseAway.new(->(_) { asked = true }).call({"rack.errors" => StringIO.new})
    expect([answer.first, asked, answer.last.join]).to match [503, false, include("The database is away")]
    sleep 0.25
    get "/sign-in"
    expect(last_response.status).to eq 200
  end

  it "answers what it cannot read, at doors that no page of ours has sent to" do
    sign_in office
    get "/customers/new"
    send_form "/customers", x: "1"
    expect([last_response.status, page]).to match [422, include("Keep the customer")]
    %w[meter replace].each do |tool|
      post "/api/v1/#{tool}", nil, {"CONTENT_TYPE" => "application/x-www-form-urlencoded", "HTTP_X_CSRF_TOKEN" => token}
      expect([tool, last_response.status]).to match [tool, be_between(400, 499)]
    end
  end

  it "tells a fault of its own on a designed page" do
    sign_in office
    allow(Day::Board).to receive(:new).and_raise(ArgumentError, "wrong number of arguments")
    get "/"
    expect([last_response.status, page]).to match [500, include("Something broke on our side")]
  end
end
