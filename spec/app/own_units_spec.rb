# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# Whoever reads °F and inches is told nothing in °C, kelvin, millimetres or kilograms: neither on
# a station's page nor in what a test's answers mean. A tool's size and what a maker writes on a
# kit stay as they are written.
RSpec.describe Fenbo::Retold, :rolled_back do
  metric = /\d ?(?:°C|mm|kg|K)(?![[:alnum:]²³])/
  written = /\([^)]* in\)|bushings/

  before { sign_in create(:user, role: "technician", unit_system: "us") }

  def told(path)
    get path
    follow_redirect! while status == 303
    expect([path, status]).to eq [path, 200]
    here = Nokogiri::HTML(page)
    here.css("script, style").remove
    here.xpath("//text() | //@title | //@aria-label").map { |one| one.text.squish }
  end

  it "leaves no metric figure on any station's page" do
    jobs = Job.open.includes(:unit).uniq { |job| job.unit.family }
    paths = jobs.map(&:number).product(Fenbo::JobFile::STATIONS).map { |number, station| "/jobs/#{number}/#{station}" }
    expect(paths.to_h { |path| [path, told(path).grep(metric).grep_v(written)] }.reject { |_, found| found.empty? })
      .to eq({})
  end

  it "leaves none in what a test asks for and its answers mean" do
    number = Job.open.joins(:unit).find_by!(units: {name: "Cheese cellar 2"}).number
    found = Fenbo::Diagnosis::Test.all.keys.to_h do |test|
      [test, told("/jobs/#{number}/look?test=#{test}").grep(metric)]
    end
    expect(found.reject { |_, all| all.empty? }).to eq({})
  end

  it "leaves none where a motor is held against its place, and moves its hub by fractions of an inch" do
    number = Job.open.joins(:unit).find_by!(units: {name: "Seed vault"}).number
    paths = Motor.where(family: "shaded_pole").order(:part_no).limit(12).map { |one|
      "/jobs/#{number}/fitting?part=#{one.part_no}"
    }
    pages = paths.to_h { |path| [path, told(path)] }
    expect(pages.transform_values { |words| words.grep(metric) }.reject { |_, all| all.empty? }).to eq({})
    expect(pages.values.flatten.grep(/arrow keys by 1\/64 of an inch/)).not_to be_empty
    expect(pages.values.flatten.grep(/Ways out/)).not_to be_empty
  end
end
