# frozen_string_literal: true

require "vips"
require_relative "app_spec_helper"

# What a phone takes along, and what it brings back by the doors that everybody comes by.
RSpec.describe "the pocket", :rolled_back do
  let(:technician) { create(:user) }
  let(:job) { create(:job) }

  before { sign_in technician }

  def pack(number = job.number)
    get "/pocket/packs/#{number}.json"
    JSON.parse(page)
  end

  # A press as a phone kept it.
  def press(path = "/jobs/#{job.number}/findings", held: 0, id: SecureRandom.uuid, **fields)
    body = URI.encode_www_form({authenticity_token: "pocket", client_id: id, fan: "evaporator-1"}.merge(fields))
    {order: @order = @order.to_i + 1, id:, path:, body:, held_seconds: held}
  end

  def bring(*presses, token: nil)
    get "/pocket/me.json"
    token ||= JSON.parse(page)["token"]
    post "/pocket/sync", JSON.generate(entries: presses), "CONTENT_TYPE" => "application/json",
      "HTTP_X_CSRF_TOKEN" => token
    JSON.parse(page)
  end

  it "packs a job with everything its pages ask, and nothing secret" do
    told = pack
    expect(Fenbo::JobFile.from_json(told["job"])).to eq JobSource.numbered(job.number)
    expect(told["person"]).to include("uid" => technician.uid, "licensed" => technician.licensed?)
    expect(told["shop"].keys).to match_array ShopSettings::DEFAULTS.keys
    expect(page).not_to match(/password|digest|token/)
    get "/pocket/packs/999999.json"
    expect(status).to eq 404
  end

  it "offers what was asked for, then today's visits, then one's own, the newest first, and says what it left out" do
    free, mine = [nil, technician].map { |technician| create_list(:job, 20, technician:) }
    other = create(:job, technician: create(:user))
    mine[3].visits.create!(technician:, starts_at: Time.now)
    offered = -> { page.scan(/data-job="(\d+)"/).flatten.map(&:to_i) }
    get "/pocket"
    own = (mine - [mine[3]]).reverse
    expect(offered.call.first(29)).to eq [mine[3], *own, *free.reverse].first(29).map(&:number)
    expect(page).to match(/\d+ more are open/)
    get "/pocket?job=#{other.number}"
    expect(offered.call.first(2)).to eq [other.number, mine[3].number]
    get "/pocket?job=999999"
    expect(page).to include "No open job has this number."
    get "/pocket/me.json"
    expect(JSON.parse(page)["today"]).to eq [mine[3].number]
  end

  it "gives the motors that fit best with all that judging them again asks" do
    unit = Unit.find_by!(name: "Cheese cellar 2")
    fitting = create(:job, unit:, fan_position: unit.fan_positions.find { |one| one.motor })
    get "/jobs/#{fitting.number}/match/best.json"
    best = JSON.parse(page)
    judged = Fenbo.call(:match, best["question"])
    expect(judged.candidates.map(&:part_no)).to match_array(best["shown"].keys)
    get "/jobs/#{fitting.number}/match"
    expect(page).to include judged.candidates.first.part_no
    FittedMotor.where(fan_position: job.unit.fan_positions).destroy_all
    get "/jobs/#{job.number}/match/best.json"
    expect([status, page]).to match [200, "null"]
  end

  it "ships the code that it names, whole: every room a phone answers by, and no database" do
    files = Pocket::Code.files
    rooms = File.read(File.join(Pocket::Code::ROOT, "app/pocket/phone/phone.rb"))[/ROOMS = %w\[(.*?)\]/m, 1].split
    rooms.each do |room|
      expect(files).to include("app/#{room.underscore}.rb"), room
    end
    expect(files.keys.grep(/active_record|connection_adapters/)).to be_empty
    expect(files.fetch("load_path").lines(chomp: true)).to all(satisfy { |folder|
      files.keys.any? { |path| path.start_with?("#{folder}/") }
    })
    get "/pocket/about.json"
    expect(JSON.parse(page)).to include("release" => Pocket::Code.release,
      "runtime" => %r{\A/pocket/ruby-[\d.]+\.wasm\z})
  end

  it "lets WebAssembly be compiled by its worker alone" do
    get "/pocket/worker.js"
    expect(last_response["content-security-policy"]).to include "wasm-unsafe-eval"
    get "/pocket"
    expect(last_response["content-security-policy"]).not_to include "wasm"
  end

  it "takes what was done in order, at the time it was done, once however often it is sent" do
    first = press(test: "noise", outcome: "silent", held: 7200.1234567890625)
    second = press(test: "fan_motion", outcome: "stopped", held: 3600)
    expect(bring(first, second)["answers"].map { |one| one["answer"] }).to eq %w[taken taken]
    expect(bring(first, second)["answers"].map { |one| one["answer"] }).to eq %w[repeat repeat]
    found = job.findings.reload.to_a
    expect(found.map { |one| [one.test, one.outcome, one.client_id] }).to eq [
      ["noise", "silent", first[:id]], ["fan_motion", "stopped", second[:id]]
    ]
    expect(found.map { |one| (Time.now - one.taken_at).round(-1) }).to eq [7200, 3600]
  end

  it "takes what a phone kept for three weeks, at its time" do
    kept = press(test: "noise", outcome: "silent", held: 21 * 86_400 - 60)
    expect(bring(kept)["answers"].first["answer"]).to eq "taken"
    expect(job.findings.reload.first.taken_at).to be_within(60).of(Time.now - 21 * 86_400)
  end

  it "says which was refused and why, and takes the others" do
    pages = RefusedPage.count
    answers = bring(press(test: "winding_ohms", outcome: "open"), press(test: "noise", outcome: "purple"),
      press("/jobs/#{job.number}/readings", tool: "amps", amps: "much"), press(test: "noise", outcome: "silent"))
    told = answers["answers"].map { |one| [one["answer"], one["sentence"]] }
    expect(told.map(&:first)).to eq %w[refused refused refused taken]
    expect(told[0].last).to start_with "Prove it dead first. Winding resistance is done on a unit"
    expect(told[1].last).to start_with "That answer is not known."
    expect(told[2].last).to include "“much” is not understood as a current"
    expect(RefusedPage.count).to eq pages
  end

  it "keeps what comes after the job was closed by somebody else, with why it was not taken" do
    job.update!(status: "closed", closed_at: Time.now, closed_by: technician)
    expect(bring(press(test: "noise", outcome: "silent"))["answers"].first).to include("answer" => "refused",
      "sentence" => /closed and signed: open it again/)
  end

  it "takes what was seen on a unit that has another name and stands elsewhere by now, and nothing of a fan it lacks" do
    job.unit.update!(name: "Moved on", site: create(:unit).site)
    told = bring(press(test: "noise", outcome: "silent"),
      press(test: "noise", outcome: "silent", fan: "evaporator-9"))["answers"]
    expect(told.map { |one| [one["answer"], one["sentence"]] }).to match [["taken", nil],
      ["refused", /There is no such fan. Moved on has no “evaporator-9”/]]
    expect(JSON.generate(pack)).to include "Moved on"
    expect(job.findings.reload.size).to eq 1
  end

  # They share one job in hand; whoever follows must find what went before.
  it "takes each press of a run as the one before left the job" do
    there = "/jobs/#{job.number}"
    decided = {fan: "evaporator-1", reason: "tried", action: "replace"}
    told = bring(press(test: "noise", outcome: "silent"), press(test: "noise", outcome: "grinding"),
      press("#{there}/decide", cause: "bearing_worn", **decided),
      press("#{there}/decide", cause: "contactor_failed", besides: "1", **decided, fan: "evaporator-1.1"),
      press(test: "noise", outcome: "rattling"), press("#{there}/decide/withdraw", fan: "evaporator-1.2",
        taken_back: "It was the guard."), press("#{there}/state", state: "D"),
      press(test: "winding_ohms", outcome: "open"), press("#{there}/state", state: "P"),
      press(test: "winding_ohms", outcome: "even"))["answers"]
    expect(told.map { |one| one["answer"] }).to eq %w[taken taken taken taken taken taken taken taken taken refused]
    now = JobSource.numbered(job.number)
    expect(now.faults.map { |one| [one.key, one.decision.causes.first] }).to eq [["evaporator-1.1", "bearing_worn"]]
    expect([now.visits.size, now.findings.count(&:voided_at), now.state]).to eq [1, 2, "P"]
  end

  it "lets stand what somebody else decided, switched or wrote first, and tells what, until it is insisted on" do
    jorun = create(:user)
    put = ->(entry) { Logbook.new(Job.find(job.id), jorun).take(entry) }
    seen = Pocket::FirstCome.seen(JobSource.numbered(job.number))
    put[Entries::State.new(state: "D")]
    put[Entries::Handover.new(values: {"summary" => "Cleaned."}, version: nil, signature: nil, signed_name: nil)]
    there = "/jobs/#{job.number}"
    presses = [press("#{there}/state", state: "P", held: 3600), press("#{there}/state", state: "D"),
      press("#{there}/hand_over", summary: "New motor."), press(test: "noise", outcome: "silent")].map { |one|
        one.merge(seen:)
      }
    told = bring(*presses)["answers"]
    expect(told.map { |one| one["answer"] }).to eq %w[conflict taken conflict taken]
    expect(told[0]["sentence"]).to start_with "#{jorun.name} set it meanwhile: "
    expect(told[2]["sentence"]).to include "wrote it meanwhile: “Cleaned.”"
    expect(JobSource.numbered(job.number)).to have_attributes(state: "D",
      handover: have_attributes(summary: "Cleaned."))
    again = presses.values_at(0, 2).map { |one| one.merge(anyway: true) }
    expect(bring(*again)["answers"].map { |one| one["answer"] }).to eq %w[taken taken]
    # After theirs, whenever it was pressed.
    expect(JobSource.numbered(job.number)).to have_attributes(state: "P", state_at: be_within(60).of(Time.now),
      handover: have_attributes(summary: "New motor."))
  end

  it "takes a motor chosen without signal, unless somebody chose another first, and asks then" do
    unit = Unit.find_by!(name: "Cheese cellar 2")
    fitting = create(:job, unit:, fan_position: unit.fan_positions.find { |one| one.motor })
    get "/jobs/#{fitting.number}/match/best.json"
    best = JSON.parse(page)
    mine, theirs = Fenbo.call(:match, best["question"]).candidates.map(&:part_no)
    now = -> { JobSource.numbered(fitting.number) }
    seen = Pocket::FirstCome.seen(now[])
    Logbook.new(Job.find(fitting.id), create(:user)).take(Entries::Part.new(fault: best["fan"], part_no: theirs,
      grade: "drop_in", checks: []))
    chosen = press("/jobs/#{fitting.number}/match", fan: best["fan"], part: mine).merge(seen:)
    expect(bring(chosen)["answers"].first).to include("answer" => "conflict", "sentence" => /chose #{theirs} meanwhile/)
    expect(bring(chosen.merge(anyway: true))["answers"].first["answer"]).to eq "taken"
    expect(now[].part_choice(best["fan"])).to have_attributes(
      motor: Fenbo::JobFile::CataloguePart.from_json(best["shown"][mine]["part"]), beside: best["shown"][mine]["beside"]
    )
  end

  it "takes a press with its file like the form's own, and refuses what is none" do
    get "/pocket/me.json"
    headers = {"HTTP_X_CSRF_TOKEN" => JSON.parse(page)["token"]}
    picture = Rack::Test::UploadedFile.new(StringIO.new(Vips::Image.black(40, 30).pngsave_buffer), "image/png",
      original_filename: "a.png")
    sent = press("/jobs/#{job.number}/photos", station: "look", caption: "Ice")
    2.times do |round|
      picture.rewind
      post "/pocket/sync/files", {press: JSON.generate(sent), photo: picture}, headers
      expect(JSON.parse(page)["answers"].first).to include("answer" => %w[taken repeat][round])
    end
    expect(job.photos.map { |one| [one.caption, one.client_id] }).to eq [["Ice", sent[:id]]]
    post "/pocket/sync/files", {press: JSON.generate(press("/jobs/#{job.number}/photos")), photo: "none"}, headers
    expect(JSON.parse(page)["answers"].first).to include("answer" => "refused", "sentence" => /Choose a photo first/)
    post "/pocket/sync/files", {press: "{", photo: picture}, headers
    expect([status, JSON.parse(page)["errors"].first["field"]]).to eq [422, "entries"]
  end

  it "holds roles as with signal" do
    sign_in create(:user, role: "office")
    expect(bring(press(test: "noise", outcome: "silent"))["answers"].first).to include("answer" => "refused",
      "sentence" => /Readings and findings are for technicians/)
    expect(job.findings.count).to eq 0
  end

  it "names everything that is wrong with a batch, and takes nothing of it" do
    good = press(test: "noise", outcome: "silent")
    bad = good.merge(order: "1", id: "x", path: "/settings/shop", body: 7, held_seconds: -1)
    fields = bring(good, bad, 3)["errors"].map { |one| one["field"] }
    expect(fields).to eq %w[entries[1].order entries[1].id entries[1].path entries[1].body entries[1].held_seconds
      entries[2]]
    expect([status, job.findings.count]).to eq [422, 0]
    expect(bring(*([good] * 101))["errors"].first["message"]).to include "at most 100"
    expect { bring(good, token: "forged") }.to raise_error(JSON::ParserError)
    expect(status).to eq 403
  end
end
