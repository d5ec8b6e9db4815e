# frozen_string_literal: true

require_relative "app_spec_helper"

# A meter's own lines: understood whole or not at all, and shown as they settle.
RSpec.describe Api::MeterDoor, :rolled_back do
  let(:user) { create(:user) }

  def door = described_class.new(user, source: "clamp 7")

  def faults(*lines)
    door.tap { |one| expect(one.take(lines.join("\n"))).to be false }.faults
  end

  def line(value, quantity: "amps", leg: nil)
    ["2031-05-05T15:20:01.5Z", quantity, value, "A", *leg].join(";")
  end

  def latest = described_class.latest(user)

  it "says of every line what is not understood, and keeps none of them" do
    told = faults(
      "time;quantity;value;unit", line(0.4), "soon;amps;0.4;A", "2031-05-05T15:20:01Z;mood;0.4;A",
      "2031-05-05T15:20:01Z;amps;much;A", line(0.4, leg: "d"), "x" * 300
    )
    expect(told).to match [
      ["line.3", /starts with no time/], ["line.4", /names no quantity/], ["line.5", /not understood/],
      ["line.6", /names no leg/], ["line.7", /longer than 200/]
    ]
    expect(MeterLine.where(user:)).to be_empty
  end

  it "wants a line, and not too many" do
    expect(faults("")).to eq [["", "no line to read"]]
    expect(faults("time;quantity;value;unit")).to eq [["", "no line to read"]]
    expect(faults(*Array.new(2001) { line(0.4) })).to eq [["", "more than 2000 lines at once"]]
  end

  it "reads tabs and milliamps, and whatever bytes come with them" do
    expect(door.take("2031-05-05T15:20:01Z\tamps\t410\tmA\n\n")).to be true
    expect(latest[:lines]).to eq [{quantity: "amps", leg: nil, shown: "0.41", median: "0.41"}]
    expect(faults("\xFF\xFE;amps;1;A").first.last).to include "starts with no time"
  end

  it "shows each quantity and leg with the median of the last seven, and whether it has settled" do
    door.take([0.9, *Array.new(7) { 0.4 }].map { |amps| line(amps) }.join("\n"))
    expect(latest).to eq source: "clamp 7", steady: "steady",
      lines: [{quantity: "amps", leg: nil, shown: "0.4", median: "0.4"}]
    door.take([0.4, 0.5, 0.3].flat_map { |amps| [line(amps, leg: "a"), line(0, leg: "b")] }.join("\n"))
    expect(latest[:steady]).to eq "still moving, ±25 %"
    expect(latest[:lines].map { |one| one.values_at(:leg, :shown) }).to eq [[nil, "0.4"], %w[a 0.3], %w[b 0]]
  end

  it "forgets what is old, and shows nobody else's" do
    door.take(line(0.4))
    expect(described_class.latest(create(:user))).to eq source: nil, steady: "", lines: []
    MeterLine.where(user:).update_all(created_at: 10.seconds.ago)
    expect(latest[:lines]).to eq []
    MeterLine.where(user:).update_all(created_at: 2.hours.ago)
    expect { MeterLine.sweep }.to change { MeterLine.where(user:).count }.to 0
  end

  describe Api::Tools do
    let(:bearer) {
      {"HTTP_AUTHORIZATION" => "Bearer #{ApiToken.issue(user, "x").secret}", "CONTENT_TYPE" => "application/json"}
    }

    def ask(tool, body)
      post("/api/v1/#{tool}", body.is_a?(String) ? body : JSON.generate(body), bearer)
    end

    def told = JSON.parse(page)

    it "lists its tools, each with an example that it answers itself" do
      get "/api/v1/", {}, bearer
      tools = told["tools"].reject { |tool| %w[sound].include?(tool["name"]) }
      expect(tools.map { |tool| tool["name"] }).to eq Fenbo::Tools.names.map(&:to_s) - %w[sound]
      tools.each do |tool|
        ask tool["name"], tool["example"]
        expect([tool["name"], status]).to eq [tool["name"], 200]
      end
    end

    it "answers what is no question in JSON, at its place" do
      rows = {
        "{" => [422, "this is not JSON"], "[]" => [422, nil], "" => [422, "this is not JSON"],
        "\xFF{}" => [422, "this is not JSON"], %({"a": NaN}) => [422, nil]
      }
      rows.each do |body, (code, words)|
        ask "amps", body
        expect([body, status, told["errors"].first["message"]]).to match [body, code, words || be_a(String)]
      end
      ask "divination", {}
      expect([status, told["errors"].first["field"]]).to eq [404, "tool"]
      stub_const("#{described_class}::LARGEST", 10)
      ask "amps", {"motor" => {"family" => "psc"}}
      expect([status, told["errors"].first["message"]]).to eq [422, "is larger than 5 MB"]
    end

    it "matches against the catalogue here or what is sent, and reads no file of this machine" do
      question = Fenbo::Tools.entry("match").example.except("catalog", "motors")
      ask "match", question
      here = told["candidates"].map { |one| one["part_no"] }
      expect([here.any?, Motor.where(part_no: here).count]).to eq [true, here.size]
      ask "match", question.merge("motors" => [])
      expect(told["candidates"].to_a).to eq []
      ask "match", question.merge("catalog" => "/etc/passwd")
      expect([status, page]).to match [200, satisfy { |text| !text.include?("root:") }]
      ask "sound", {"wav" => "/etc/passwd"}
      expect([status, told["errors"].first["field"]]).to eq [422, "wav"]
    end

    it "lets nobody in without a token, nor with one that is none" do
      [{}, {"HTTP_AUTHORIZATION" => "Bearer nonsense"}].each do |header|
        post "/api/v1/amps", "{}", header
        expect([status, told["errors"].first["message"]]).to match [401, include("bearer token")]
      end
    end
  end
end
