# frozen_string_literal: true

require_relative "app_spec_helper"

# Who may send what: every route that writes, by role. A route that is not in the table
# fails, so that a new one is thought about.
RSpec.describe Policy, :rolled_back do
  field = %w[technician apprentice]
  everyone = %w[technician apprentice office]
  crew = %w[technician office]
  office = %w[office]
  technician = %w[technician]

  table = {
    "/jobs/:number/orders/:order/ask" => everyone, "/jobs/:number/orders/:order/move" => everyone,
    "/jobs/:number/orders/:order/come" => everyone, "/jobs/:number/orders/:order/settle" => everyone,
    "/jobs/:number/clock" => field, "/jobs/:number/clock/probe" => field, "/jobs/:number/clock/leave" => field,
    "/jobs/:number/clock/hold" => field,
    "/week/visits/:id" => crew, "/week/jobs/:number" => crew,
    "/suppliers" => office, "/suppliers/:uid/drop" => office, "/suppliers/:id/fault" => office, "/calendar" => everyone,
    "/van" => field, "/van/least" => field, "/customers" => crew, "/customers/:id" => office,
    "/units" => crew, "/units/:id" => crew, "/units/:id/fans/:fan" => crew,
    "/imports" => office, "/imports/:id/again" => office, "/imports/:id/drop" => office,
    "/imports/:id/take" => office, "/job-files/?" => office,
    "/jobs" => everyone, "/jobs/:number/call" => everyone,
    "/jobs/:number/arrange/assign" => crew, "/jobs/:number/arrange/move" => crew,
    "/jobs/:number/arrange/cancel" => crew, "/jobs/:number/close" => field,
    "/jobs/:number/close/countersign" => technician,
    "/jobs/:number/reopen" => technician,
    "/jobs/:number/decide" => field, "/jobs/:number/decide/countersign" => technician,
    "/jobs/:number/decide/withdraw" => field, "/jobs/:number/decide/agreed" => field,
    "/jobs/:number/refrigerant/circuits" => [],
    "/jobs/:number/refrigerant/moves" => [], "/jobs/:number/refrigerant/leaks" => field,
    "/jobs/:number/refrigerant/leaks/:leak/checks" => field, "/jobs/:number/refrigerant/:what/:id/void" => field,
    "/settings/people/:id/licence" => office, "/jobs/:number/replace" => field, "/jobs/:number/quote" => field + office,
    "/jobs/:number/quote/:version/answer" => field + office, "/jobs/:number/quote/:version/link" => field + office,
    "/jobs/:number/findings" => field, "/jobs/:number/findings/round" => field,
    "/jobs/:number/findings/:id/void" => field,
    "/jobs/:number/fit/features" => field, "/jobs/:number/fit/cleaning" => field,
    "/jobs/:number/fit/steps/:step" => field, "/jobs/:number/fit/steps/:step/readings" => field,
    "/jobs/:number/fit/steps/:step/undo" => field, "/jobs/:number/fitting" => field,
    "/jobs/:number/frost" => field, "/jobs/:number/frost/reading" => everyone,
    "/jobs/:number/hand_over" => field, "/jobs/:number/sheet" => field,
    "/jobs/:number/match" => field, "/jobs/:number/match/blade" => field,
    "/jobs/:number/match/spare" => field,
    "/jobs/:number/photos" => field, "/jobs/:number/prove/checks/:check" => field,
    "/jobs/:number/prove/readings" => field, "/jobs/:number/prove/fitted" => field,
    "/jobs/:number/prove/retest" => field, "/jobs/:number/prove/probe" => field,
    "/jobs/:number/prove/temperatures" => field,
    "/jobs/:number/readings" => field, "/jobs/:number/readings/:id/void" => field, "/jobs/:number/sounds" => field,
    "/jobs/:number/source" => field, "/jobs/:number/state" => field, "/jobs/:number/stations/:name" => field,
    "/reports/?" => crew, "/pocket/sync" => everyone, "/pocket/sync/files" => everyone,
    "/left/people/:uid" => office, "/left/:id" => everyone,
    "/learning" => office, "/meter/simulated" => field, "/settings/appearance" => everyone,
    "/settings/me" => everyone, "/settings/password" => everyone, "/settings/people" => office,
    "/settings/people/:id" => office,
    "/settings/people/:id/link" => office, "/settings/sign-out-everywhere" => everyone, "/settings/shop" => office,
    "/settings/tokens" => everyone,
    "/settings/tokens/:id/revoke" => everyone
  }.freeze
  # Doors before anybody is known, and those that ask for a token instead of a page's own.
  open = ["/quote/:secret", "/new-password/:secret", "/sign-in", "/sign-out", "/first-run", "/api/v1/:tool",
    "/api/v1/meter", "/left"].freeze

  def self.routes
    classes = [*Paths::FIRST.values, *Paths::OF_A_JOB.values].uniq.map { |name| Object.const_get(name) }
    classes.flat_map { |room| (room.routes["POST"] || []).map { |pattern, *| pattern.to_s } }.uniq
  end

  let(:job) { create(:job) }
  let(:finding) {
    Finding.create!(job:, user: create(:user), client_id: SecureRandom.uuid, test: "noise", outcome: "silent",
      taken_at: Time.now)
  }
  let(:reading) { Reading.where(voided_at: nil).first }

  # What a form of this page would send, as far as a role is only asked for then.
  def sent(path)
    {
      "/jobs/:number/findings" => {test: "noise", outcome: "silent", client_id: SecureRandom.uuid},
      "/jobs/:number/findings/round" => {"seen[noise]" => "silent"},
      "/jobs/:number/state" => {state: "L"}, "/jobs/:number/hand_over" => {summary: "done"},
      "/jobs/:number/prove/temperatures" => {arrival_c: "4"}, "/jobs/:number/fit/features" => {hub: "nut"},
      "/jobs/:number/fit/cleaning" => {parts: ["coil"], before: "2", after: "0"},
      "/jobs/:number/call" => {complaint: "It hums"}
    }.fetch(path, {})
  end

  def address(path)
    path
      .sub("/?", "").sub(":number", job.number.to_s).sub(":fan", "evaporator-1").sub(":step", "lockout")
      .sub(":check", "cover").sub(":name", "look")
      .sub(":id", path.include?("findings") ? finding.client_id : known(path))
  end

  def known(path)
    case path
    when /readings/ then reading.client_id
    when /units/ then job.unit_id.to_s
    when /customers/ then Customer.first.id.to_s
    when /people/ then User.first.id.to_s
    else "0"
    end
  end

  it "has every route that writes in its table" do
    expect(self.class.routes).to match_array(table.keys + open)
  end

  it "leads from every address that only takes a form to the page where that form is" do
    sign_in create(:user, role: "office")
    lost = (table.keys - ["/jobs/:number/fitting"]).reject { |path|
      get address(path)
      2.times { follow_redirect! if last_response.redirect? }
      [200, 403].include?(status)
    }
    expect(lost).to eq []
  end

  table.each do |path, roles|
    everyone.each do |role|
      it "#{roles.include?(role) ? "lets" : "refuses"} #{role} #{path}" do
        job
        sign_in create(:user, role:)
        get "/settings"
        send_form address(path), **sent(path)
        expect([roles.include?(role), status]).to match [status != 403, (be < 500)]
      end
    end
  end
end
