# frozen_string_literal: true

require "io/wait"
require "json"
require "open3"

RSpec.describe "bin/fenbo" do
  def run(*arguments, input: "")
    Open3
      .capture3({"RUBYOPT" => nil}, File.expand_path("../../bin/fenbo", __dir__), *arguments, stdin_data: input)
      .then { |out, err, status| [out, err, status.exitstatus] }
  end

  it "lists its tools and shows an example of each that works", :slow do
    expect(run("help").first.scan(/^  (\w+) /).flatten).to eq Fenbo::Tools.names
    Fenbo::Tools.names.each do |name|
      example = run("help", name).first[/^\{.*^\}/m]
      out, _, status = run(name, input: example)
      expect(status).to eq 0
      expect(JSON.parse(out)).to include("reasons")
    end
  end

  it "answers bad input on standard error with status 2 and no trace" do
    ["{", "[]", "7", '{"motor":{}}', ""].each do |input|
      out, err, status = run("amps", input:)
      expect([out, status]).to eq ["", 2]
      expect(JSON.parse(err)["errors"]).not_to be_empty
    end
    expect(run("amps", "/nowhere").last).to eq 2
    expect(JSON.parse(run("divine").at(1))["errors"].first["field"]).to eq "tool"
  end

  it "answers each line of a batch at once, before the next has come" do
    line = JSON.generate(id: 1, tool: "air", in: Fenbo::Tools.entry("air").example)
    Open3.popen2({"RUBYOPT" => nil}, File.expand_path("../../bin/fenbo", __dir__), "batch") do |input, output|
      2.times do
        input.puts line
        input.flush
        expect(output.wait_readable(20)).to be_truthy
        expect(JSON.parse(output.gets)).to include("id" => 1, "out" => be_a(Hash))
      end
      input.close
    end
  end

  it "goes on after a bad line of a batch" do
    good = {id: 1, tool: "amps", in: Fenbo::Tools.entry("amps").example}
    lines = [
      good,
      "nonsense",
      {id: "b", tool: "nope", in: {}},
      [1],
      {id: 4, tool: "amps", in: {motor: {family: "psc", nameplate_amps: -1}, reading: {amps: [1]}}},
      good.merge(id: 5)
    ]
    out, _, status =
      run("batch", input: lines.map { |line| line.is_a?(String) ? line : JSON.generate(line) }.join("\n"))
    rows = out.lines.map { |line| JSON.parse(line) }
    expect(status).to eq 0
    expect(rows.map { |row| row["id"] }).to eq [1, nil, "b", nil, 4, 5]
    expect(rows.map { |row| row.key?("errors") }).to eq [false, true, true, true, true, false]
    expect(rows[4]["errors"]).to eq [{"field" => "motor.nameplate_amps", "message" => "must be above 0"}]
  end
end
