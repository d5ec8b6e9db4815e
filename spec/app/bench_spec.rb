# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "the instruments", :rolled_back do
  let(:technician) do
    create(
      :user,
      meter: {
        "name" => "Small jaw",
        "percent" => 2.0,
        "counts" => 5,
        "resolution" => 0.01,
        "true_rms" => true
      }
    )
  end

  before { sign_in technician }

  # What each says, with its formula worked.
  {
    "amps" => [
      {family: "psc", plate_amps: "1,2", plate_volts: "230", amps: "0.7 A", turns: "1", volts: "228", turning: "yes"},
      "under the window",
      "0.7 ÷ 1.2 = 0.583"
    ],
    "phases" => [
      {
        volts_ab: "462",
        volts_bc: "458",
        volts_ca: "455",
        amps_a: "4.1",
        amps_b: "4",
        amps_c: "4.6",
        rolled_a: "4.6",
        rolled_b: "4.1",
        rolled_c: "4"
      },
      "moved with the lead",
      "= 8.66 %"
    ],
    "windings" => [
      {kind: "three_phase", ab: "5.1", bc: "5", ca: "OL", ground: "0.55 GΩ", celsius: "95 °F"},
      "open winding",
      "= 4.816 Ω".sub("4.816", "4.82")
    ],
    "capacitor" => [{rated: "25 µF", measured: "22,8"}, "22.8 µF, printed 25 µF", "23.5 to 26.5"],
    "product" => [
      {now: "4", limit: "8", end: "24", earlier: "37.4 °F", ago: "2 h"},
      "passes 8.0 °C in 9.1 h",
      "= 9.15 h"
    ],
    "pulldown" => [{setpoint: "2", readings: "minute;temp\n0;12\n10;9,7\n20;8.0\n35;6.0"}, "on course", "τ 40.9 min"],
    "refrigerant" => [
      {full: "40", on_1: "2031-02-01", kind_1: "added", before_1: "30", after_1: "22"},
      "not over the warning",
      "× 365 ÷ 365"
    ]
  }.each do |tool, (typed, said, worked)|
    it "judges #{tool} on the pocket bench, with a picture and the working" do
      get "/bench/#{tool}"
      expect(status).to eq 200
      get "/bench/#{tool}", typed
      expect([status, page]).to match [200, include(said).and(include(worked)).and(include("<svg"))]
    end

    it "answers nonsense in #{tool} at its fields and keeps what was typed" do
      field = typed.keys.find { |name| %i[amps volts_ab ab rated now setpoint full].include?(name) }
      get "/bench/#{tool}", typed.merge(field => "five parsecs")
      expect([status, page]).to match [422, include("five parsecs").and(include(%(class="fault")))]
    end
  end

  it "reads both ways of typing a capacitor: a range, or under load" do
    get "/bench/capacitor", {rated: "88–108", measured: "87"}
    expect(page).to include("printed 88 to 108 µF").and include("weak")
    get "/bench/capacitor", {rated: "15", amps: "2.1", volts: "370", hertz: "60"}
    expect(page).to include("2.1 A in the start lead").and include("15.05")
  end

  it "has nothing under another name" do
    get "/bench/divination"
    expect(status).to eq 404
  end

  describe Shared::LoggerFile do
    def rows(text, system: "si")
      described_class
        .new(text, system:, most: 3)
        .then { |log| log.fault || log.rows.map { |row| row.values_at("minute", "c") } }
    end

    it "reads minutes, clock times past midnight and full dates, by comma, semicolon, tab or space" do
      expect(rows("0 12\n10 9,7")).to eq [[0.0, 12.0], [10.0, 9.7]]
      expect(rows("Time;Temp\n23:50;4,5\n00:10;4.0")).to eq [[0.0, 4.5], [20.0, 4.0]]
      expect(rows("2031-05-05T10:00:00,5.5\n2031-05-05T10:07:30,5")).to eq [[0.0, 5.5], [7.5, 5.0]]
      expect(rows("0\t41\n30\t50", system: "us")).to eq [[0.0, 5.0], [30.0, 10.0]]
    end

    def table(text, system: "si")
      log = described_class.new(text, system:, most: 100)
      log.fault || log.rows.map { |row| [row["minute"], row["c"].round(1)] }
    end

    it "reads a logger's CSV of three shapes: one column a moment, day and clock apart, month first in °F" do
      plain = "Logger 7\nSite: cellar\n\nDate/Time,Temperature (°C),Battery\n" \
        "2031-05-05 23:50:00,12.4,ok\n2031-05-06 00:05,9.8,ok"
      expect(table(plain)).to eq [[0.0, 12.4], [15.0, 9.8]]
      apart = "No.;Date;Time;Probe 1 °C;rh %\n1;05.05.2031;23:50;12,4;80\n2;06.05.2031;00:05;9,8;81" \
        "\n3;06.05.2031;00:20;---;81\n4;06.05.2031;00:35;7,0;80\n5;06.05.2031;00:50;6,1;80"
      expect(table(apart, system: "us")).to eq [[0.0, 12.4], [15.0, 9.8], [45.0, 7.0], [60.0, 6.1]]
      month = "#,\"Date Time\",\"Temp, °F\"\n1,05/05/2031 11:50:00 PM,54.3\n2,05/06/2031 12:05:00 AM,49.6"
      expect(table(month)).to eq [[0.0, 12.4], [15.0, 9.8]]
      expect(table("Elapsed (min)\tTemp C\n0\t12.4\n15\t9.8")).to eq [[0.0, 12.4], [15.0, 9.8]]
      expect(table("Time;Temp C\n23:50;12,4\n00:05;9,8")).to eq [[0.0, 12.4], [15.0, 9.8]]
    end

    it "says what is wrong with a logger's CSV, by its line" do
      expect(table("x\nDate/Time,Temp °C\n2031-05-05 14:00,12\nnever,11")).to include "Line 4, “never,11”"
      expect(table("Date/Time,Temp °C\n2031-05-05 14:00,\n2031-05-05 14:10,\n2031-05-05 14:20,4"))
        .to include "2 of 3 lines"
      expect(table("Date/Time,Temp °C\n")).to include "no line below it"
      expect(table("\"abc\n1;\"x")).to include "is not understood"
    end

    it "names the line it does not understand" do
      expect(rows("0 12\nsoon cold")).to include "Line 2, “soon cold”"
      expect(rows("0 12\n1 11\n2 10\n3 9")).to include "More than 3 lines"
    end
  end

  describe "a meter that sends by itself" do
    let(:bearer) { ApiToken.issue(technician, "clamp").secret }

    def send_lines(text, token: bearer)
      post("/api/v1/meter", text, {"HTTP_AUTHORIZATION" => "Bearer #{token}", "CONTENT_TYPE" => "text/plain"})
    end

    it "is shown with its median, through the door a real one uses" do
      send_lines FenboSimulation::Clamp
        .new(family: "three_phase", plate_amps: 1.4, condition: "worn", random: Random.new(1))
        .lines(Time.now)
        .join("\n")
      expect(status).to eq 200
      sign_in technician
      get "/meter/latest"
      said = JSON.parse(page)
      expect(said["lines"].map { |line| line.values_at("quantity", "leg") }).to eq [
        %w[amps a],
        %w[amps b],
        %w[amps c],
        ["volts", nil]
      ]
      expect(said["lines"].first["median"].to_f).to be_between(1.3, 2.2)
    end

    it "refuses a line it does not understand, all or nothing, and a token that is none" do
      at = "2031-05-05T15:20:01Z"
      send_lines [
        "time;quantity;value;unit",
        "#{at};amps;0.61;A",
        "yesterday;amps;1;A",
        "#{at};luck;1;A",
        "#{at};amps;lots;A;d"
      ].join("\n")
      expect(status).to eq 422
      expect(JSON.parse(page)["errors"].map { |one| one["field"] }).to eq %w[line.3 line.4 line.5]
      expect(MeterLine.count).to eq 0
      send_lines "2031-05-05T15:20:01Z;amps;0.61;A", token: "fenbo_nothing"
      expect(status).to eq 401
    end
  end

  describe Fenbo::Electrical::Bank do
    let(:unit) { create(:unit, fans: 3) }
    let(:job) { create(:job, unit:) }

    def read(number, amps, verdict: "within")
      Reading.create!(
        job:,
        user: technician,
        fan_position: unit.fan_positions[number - 1],
        kind: "amps",
        phase: "before",
        verdict:,
        client_id: SecureRandom.uuid,
        taken_at: Time.now,
        question: {},
        result: {
          "verdict" => verdict,
          "reasons" => [],
          "legs" => [{"amps" => amps, "error" => 0, "verdict" => verdict}],
          "window" => {
            "low" => 0.3,
            "high" => 0.5
          }
        }
      )
    end

    def odd
      described_class.new(file(job)).rows.map(&:odd)
    end

    it "marks the fan that is not like the others, and none where they all differ" do
      [[1, 0.40], [2, 0.41], [3, 0.52]].each { |row| read(*row) }
      expect(odd).to eq [nil, nil, "draws more than the others"]
      read(2, 0.30)
      expect(odd.compact).to eq []
    end

    it "compares with sound neighbours only, and makes it a finding of the next reading" do
      read(2, 0.66, verdict: "locked")
      read(3, 0.40)
      get "/jobs/#{job.number}/measure?fan=evaporator-1"
      send_form "/jobs/#{job.number}/readings",
        tool: "amps",
        fan: "evaporator-1",
        amps: "1.2",
        turns: "3",
        volts: "230",
        turning: "yes"
      expect(job.findings.reload.map { |one| [one.test, one.outcome] }).to eq [
        %w[amps within],
        %w[voltage_at_motor in_range],
        %w[amps_beside_neighbours alike]
      ]
    end
  end
end
