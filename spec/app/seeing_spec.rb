# frozen_string_literal: true

require "pdf/reader"
require_relative "app_spec_helper"

RSpec.describe "seeing and hearing", :rolled_back do
  let(:technician) { create(:user) }
  let(:unit) { create(:unit, fans: 3) }
  let(:job) { create(:job, unit:) }
  # Ice behind the second of three fans.
  let(:grid) { Array.new(6) { Array.new(12) { |column| column.between?(4, 7) ? 3 : 1 } } }

  before do
    sign_in technician
    get "/jobs/#{job.number}/frost"
  end

  def paint(**more)
    send_form(
      "/jobs/#{job.number}/frost",
      grid: JSON.generate(grid),
      rows: "6",
      columns: "12",
      feed_end: "left",
      fan: "evaporator-2",
      **more
    )
  end

  it "reads a map while it is painted, and keeps it as a soft finding of each fan" do
    send_form "/jobs/#{job.number}/frost/reading", grid: JSON.generate(grid), rows: "6", columns: "12", feed_end: "left"
    expect(page).to include("Behind this fan").and include("zone of evaporator-2")
    paint
    expect(status).to eq 303
    outcomes = job.findings.reload.map { |one| [one.fan_position.key, one.outcome] }
    expect(outcomes).to eq [%w[evaporator-1 even_light], %w[evaporator-2 behind_one_fan], %w[evaporator-3 even_light]]
    expect(job.findings.first.to_core({})["weights"].values.sum).to be_within(0.01).of(1)
    expect(Shared::Standing.new(file(job), fan(job, "evaporator-2")).result).not_to be_refused
  end

  it "gives a map out as JSON that it takes in again, and as SVG" do
    paint(ring: "1")
    id = job.readings.reload.find_by(kind: "frost").client_id
    get "/jobs/#{job.number}/frost/#{id}.json"
    said = JSON.parse(page)
    expect(said).to include("grid" => grid, "feed_end" => "left", "ring" => true)
    expect(Fenbo.call(:frost, said)).not_to be_refused
    get "/jobs/#{job.number}/frost/#{id}.svg"
    expect(last_response.headers["content-type"]).to include "image/svg+xml"
    expect(page).to start_with('<svg xmlns="http://www.w3.org/2000/svg"').and include("ice on blade or ring")
  end

  it "shows an earlier map of the unit and what has grown since" do
    paint
    later = create(:job, unit:)
    get "/jobs/#{later.number}/frost"
    expect(page).to include("Earlier maps of this coil").and include("Nothing painted yet")
    expect(page).not_to include "Today against it"
    bare = Array.new(6) { Array.new(12, 0) }
    send_form "/jobs/#{later.number}/frost", grid: JSON.generate(bare), rows: "6", columns: "12", feed_end: "left"
    get "/jobs/#{later.number}/frost"
    expect(page).to include("Today against it").and include("−3")
  end

  it "puts what was painted and measured besides amps into the report, on the page and on paper" do
    paint
    Reading.create!(
      client_id: SecureRandom.uuid,
      job:,
      fan_position: unit.fan_positions[1],
      user: technician,
      kind: "windings",
      phase: "before",
      typed: {},
      question: {},
      result: {},
      verdict: "shorted_turns",
      taken_at: Time.now
    )
    get "/jobs/#{job.number}/report"
    expect(page).to include("Measured, painted and heard besides").and include("shorted turns").and include(
                  "Frost map, 6 rows, 12 columns"
                )
    get "/jobs/#{job.number}/report.pdf"
    words = PDF::Reader.new(StringIO.new(page)).pages.map(&:text).join(" ").squeeze(" ")
    expect(words).to include("Measured, painted and heard besides").and include("shorted turns").and include(
                  "behind fan 2"
                )
  end

  it "puts the noise and a freezer's way down on paper, minus signs and all" do
    heard = Reading.where(kind: "sound").order(:id).last
    question = {"setpoint_c" => -20, "readings" => (0..6).map { |at| {"minute" => at * 10, "c" => -6 - 2.0 * at} }}
    result = Fenbo.call(:pulldown, question)
    Reading.create!(client_id: SecureRandom.uuid, job: heard.job, user: heard.user, kind: "pulldown", phase: "after",
      typed: {}, question:, result: result.as_json, verdict: result.verdict, taken_at: Time.now)
    get "/jobs/#{heard.job.number}/report.pdf"
    words = PDF::Reader.new(StringIO.new(page)).pages.map(&:text).join(" ").squeeze(" ")
    expect(words).to include("Sound, #{heard.fan_position.label}", "hertz", "−20", "Box on its way down")
    get "/jobs/#{heard.job.number}/report"
    expect(page).to include("Sound, #{heard.fan_position.label}")
  end

  it "answers a map it cannot read, and loses nothing" do
    ["not a map", "[[1,2],[9,0]]", "[[1],[1,2]]", "[]"].each do |text|
      send_form "/jobs/#{job.number}/frost", grid: text
      expect([status, page]).to match [422, include(%(class="fault))]
    end
    expect(job.readings.reload.count).to eq 0
  end

  describe "a recording" do
    def wav(kind, **more)
      FenboSimulation::Microphone.new(
        kind:,
        rpm: 1300,
        blades: 4,
        hertz: 50,
        seconds: 4,
        random: Random.new(3),
        **more
      ).wav
    end

    def upload(bytes, **more)
      get "/jobs/#{job.number}/sounds?fan=evaporator-2"
      send_form "/jobs/#{job.number}/sounds",
        fan: "evaporator-2",
        wav: Rack::Test::UploadedFile.new(StringIO.new(bytes), "audio/wav", true, original_filename: "fan.wav"),
        **more
    end

    it "is read, kept with its fan and given back to be heard, and lies over another" do
      upload wav("bearing"), rpm: "1300", blades: "4"
      reading = job.readings.reload.find_by(kind: "sound")
      expect(reading).to have_attributes(verdict: "bearing", fan_position: unit.fan_positions[1])
      expect(reading.findings.map { |one| [one.test, one.outcome] }).to eq [%w[sound_recording bearing]]
      get "/jobs/#{job.number}/sounds/#{reading.client_id}.wav"
      expect([last_response.headers["content-type"], page.b]).to eq ["audio/wav", wav("bearing").b]
      upload wav("healthy"), rpm: "1300", blades: "4"
      other = job.readings.reload.where(kind: "sound").last
      get "/jobs/#{job.number}/sounds?fan=evaporator-2&reading=#{other.client_id}&beside=#{reading.client_id}"
      expect(page).to include("curve-beside").and include("once a turn")
    end

    it "refuses what is no recording in plain words, and keeps the figures typed" do
      upload "MZ\x90", rpm: "1300 rpm"
      expect([status, page]).to match [422, include("is not a WAV file").and(include("1300 rpm"))]
      upload wav("healthy")[0, 20_000]
      expect(page).to include "takes 2 s at least"
      upload wav("healthy"), rpm: "fast", blades: "many"
      expect(page).to include("not understood as a speed").and include("whole number from 1 to 24")
      expect(job.readings.reload.count).to eq 0
    end

    it "is read over the API as a file, never as a path of this machine" do
      token = ApiToken.issue(technician, "ear").secret
      env = {"HTTP_AUTHORIZATION" => "Bearer #{token}"}
      post "/api/v1/sound",
        {
          wav:
            Rack::Test::UploadedFile.new(
              StringIO.new(wav("strike")),
              "audio/wav",
              true,
              original_filename: "fan.wav"
            ),
          rpm: "1300",
          blades: "4",
          hertz: "50"
        },
        env
      expect(JSON.parse(page)).to include("verdict" => "strike", "figures" => include("sample_rate" => 16_000))
      post "/api/v1/sound", JSON.generate(wav: "/etc/passwd"), env.merge("CONTENT_TYPE" => "application/json")
      expect([status, JSON.parse(page)["errors"].first["field"]]).to eq [422, "wav"]
      post "/api/v1/sound",
        {
          wav:
            Rack::Test::UploadedFile.new(
              StringIO.new(wav("strike")),
              "audio/wav",
              true,
              original_filename: "fan.wav"
            ),
          rpm: "fast"
        },
        env
      expect(JSON.parse(page)["errors"]).to eq [{"field" => "rpm", "message" => "must be a number"}]
    end

    it "comes from the simulated microphone too" do
      allow(FenboSimulation::Microphone).to receive(:new).and_wrap_original { |make, **more|
        make.call(**more, random: Random.new(2))
      }
      get "/jobs/#{job.number}/sounds?fan=evaporator-2"
      send_form "/jobs/#{job.number}/sounds", fan: "evaporator-2", simulated: "strike", rpm: "1300", blades: "4"
      expect(job.readings.reload.last).to have_attributes(kind: "sound", verdict: "strike")
    end
  end
end
