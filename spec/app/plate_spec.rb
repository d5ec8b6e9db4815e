# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# Small motors mostly say what they give, not what they take: watts too few for their amps.
RSpec.describe Units::PlateForm, :rolled_back do
  let(:fan) { create(:unit).fan_positions.first }
  let(:path) { "/units/#{fan.unit_id}/fans/#{fan.key}" }
  let(:line) { "230 V 0.25 A 9 W 1300 RPM 50 Hz 4P shaded pole CWSE shaft 8 mm" }

  before { sign_in create(:user) }

  def motor = fan.reload.motor_now.reload

  # The page's own fields, as a browser would send them again.
  def fields
    form = Nokogiri::HTML(page).at_css("form[data-draft]")
    plain = form.css("input:not([type=radio]):not([type=checkbox]), input[checked]")
    plain.to_h { |input| [input["name"].to_sym, input["value"].to_s] }.except(:authenticity_token, :client_id)
  end

  def asked = Nokogiri::HTML(page).css("button[name=only][value=shaft]").size

  it "takes them for those at the shaft with one press, and keeps the plate so however often it is kept" do
    fan.motor_now.update!(watts: nil, horsepower: nil)
    get path
    send_form path, **fields, plate_line: line, volts: "", amps: "", rpm: "", hertz: "", family: "", only: "read"
    expect([asked, fields.slice(:watts, :horsepower)]).to eq [1, {watts: "9", horsepower: ""}]
    send_form path, **fields, only: "shaft"
    expect([asked, fields.slice(:watts, :horsepower)]).to eq [0, {watts: "", horsepower: "9 W"}]
    2.times do
      send_form path, **fields
      expect([status, motor.watts, motor.horsepower]).to eq [303, nil, (9 / 745.7).round(6)]
      get path
      expect([asked, fields[:horsepower]]).to eq [0, "9 W"]
    end
  end

  it "asks of a plate that is kept as well, and says what a motor gives as well as what it takes" do
    fan.motor_now.update!(volts: [230.0], amps: [0.25], watts: 9, horsepower: nil, family: "shaded_pole")
    get path
    expect(asked).to eq 1
    send_form path, **fields, horsepower: "0.37 kW", watts: ""
    expect([status, motor.horsepower]).to eq [303, 0.496178]
    get path
    [["1/15", 0.0667, "1/15"], ["0.25 hp", 0.25, "1/4"], ["0.37", 0.37, "0.37"]].each do |typed, kept, shown|
      send_form path, **fields, horsepower: typed, watts: ""
      get path
      expect([motor.horsepower, fields[:horsepower]]).to eq [kept, shown]
    end
    send_form path, **fields, horsepower: "0.37 kW", watts: ""
    get path
    send_form path, **fields, horsepower: "much W"
    expect([status, page]).to match [422, include("or watts: “9 W”")]
    send_form path, **fields, horsepower: "0 W", watts: "0", rpm: "0"
    expect([status, Nokogiri::HTML(page).css(".field .fault").size, motor.horsepower]).to eq [422, 3, 0.496178]
    send_form path, **fields, watts: "x" * 300, only: "shaft"
    expect(Nokogiri::HTML(page).at_css("[name=watts]").ancestors(".field").css(".fault").text).not_to eq ""
  end
end
