# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "places and parts", :rolled_back do
  before do
    sign_in create(:user, role: "office")
    get "/settings"
  end

  it "keeps a unit typed in either system and answers every wrong field at once" do
    site = create(:site)
    send_form "/units",
      name: "",
      site: "",
      family: "submarine",
      supply_volts: "loads",
      supply_phases: "2",
      supply_hertz: "50",
      setpoint: "mild",
      evaporator_fans: "99"
    expect(status).to eq 422
    expect(page.scan('class="fault"').size).to be >= 6
    send_form "/units",
      name: "Herb room",
      site: site.id,
      family: "walk_in_cooler",
      supply_volts: "230",
      supply_phases: "1",
      supply_hertz: "50",
      setpoint: "37.4 °F",
      evaporator_fans: "3",
      condenser_fans: "0",
      product_value: "1250,50"
    unit = Unit.find_by(name: "Herb room")
    expect(unit).to have_attributes(setpoint_c: be_within(1e-6).of(3), product_value_cents: 125_050)
    expect(unit.fan_positions.map(&:key)).to eq %w[evaporator-1 evaporator-2 evaporator-3]
  end

  it "offers a new unit what feeds the site's last one" do
    last = create(:unit, supply_volts: 208, supply_phases: 3, supply_hertz: 60)
    create(:unit, supply_volts: 230)
    get "/units/new?site=#{last.site_id}"
    expect(page).to include 'value="208"', 'value="3"', 'value="60"'
  end

  it "knows a flammable refrigerant by its name, and asks about one it does not know" do
    before = Unit.maximum(:id)
    keep = ->(**typed) do
      send_form "/units", name: "Ice room", site: create(:site).id, family: "walk_in_cooler", supply_volts: "230",
        supply_phases: "1", supply_hertz: "50", evaporator_fans: "1", **typed
      Unit.where("id > ?", before).order(:id).last.tap { |unit| before = unit.id if unit }
    end
    expect(keep[refrigerant: "r 600 a", flammable: "0"]).to be_flammable
    expect(keep[refrigerant: "R448A", flammable: "1"]).not_to be_flammable
    expect(keep[refrigerant: "R-999"]).to be_nil
    expect(page).to include "is not known here: is it flammable?", 'value="R-999"'
    expect(keep[refrigerant: "R-999", flammable: "0"]).not_to be_flammable
    expect(keep[refrigerant: ""]).to be_flammable
  end

  it "asks once what switches the fans, and tells the core" do
    unit = create(:unit)
    send_form "/units/#{unit.id}", name: "Bank", site: unit.site_id, family: "walk_in_cooler", supply_volts: "230",
      supply_phases: "1", supply_hertz: "50", evaporator_fans: "2", refrigerant: "R-448A", contactors: "own"
    expect(unit.reload.contactors).to eq "own"
    job = create(:job, unit:)
    question = Fenbo::Diagnosis::JobCase.new(file(job), fan(job), now: Time.now, minute_cost: 1.6).to_h
    expect(question["unit"]).to include("contactors" => "own")
  end

  it "says how warm it gets around the motor, as far as somebody knows, and refuses it upside down" do
    unit = create(:unit)
    keep = ->(low, high) do
      send_form "/units/#{unit.id}", name: "Bank", site: unit.site_id, family: "walk_in_cooler", supply_volts: "230",
        supply_phases: "1", supply_hertz: "50", evaporator_fans: "2", ambient_low: low, ambient_high: high
      get "/units/#{unit.id}" unless status == 422
      page
    end
    expect(keep["-5", "20"]).to include "−5 °C to 20 °C"
    expect(keep["-5", ""]).to include "from −5 °C"
    expect(keep["", "20"]).to include "up to 20 °C"
    expect(keep["20", "-5"]).to include("is colder than the coldest", 'value="-5"')
  end

  it "notes a starter whose dial has two ends in order, and asks the match with it" do
    unit = create(:unit, supply_volts: 400, supply_phases: 3)
    keep = ->(**typed) do
      send_form "/units/#{unit.id}",
        name: "Roof",
        site: unit.site_id,
        family: "fan_bank_condenser",
        supply_volts: "400",
        supply_phases: "3",
        supply_hertz: "50",
        condenser_fans: "1",
        **typed
    end
    keep[overload_low: "1.6", overload_high: "1.0", contactor: "0"]
    expect([status, page]).to match [422, include("below where the dial begins", "must be above nothing")]
    keep[overload_low: "1.6"]
    expect([status, page]).to match [422, include("note both")]
    keep[overload_low: "1000 mA", overload_high: "1,6 A", contactor: "9", belt: "1"]
    expect(unit.reload.overload_amps).to eq [1.0, 1.6]
    job = create(:job, unit:)
    expect(Stations::Match::PartSearch.new(file(job), file(job).unit.fans.first).question["site"]).to include(
      "overload_amps" => [1.0, 1.6],
      "contactor_amps" => 9.0,
      "belt" => true
    )
  end

  it "reads a plate with two voltages" do
    position = create(:unit).fan_positions.first
    send_form "/units/#{position.unit_id}/fans/#{position.key}",
      family: "psc",
      volts: "208/230",
      amps: "0.85/0.78 A",
      watts: "1/8 hp",
      hertz: "50/60",
      rotation: "cw",
      rotation_view: "shaft_end"
    expect(position.reload.motor_now).to have_attributes(
      volts: [208.0, 230.0],
      amps: [0.85, 0.78],
      hertz: [50.0, 60.0],
      watts: be_within(0.01).of(93.21)
    )
    # From the lead end it is the other way round; a sense without its end is asked about.
    send_form "/units/#{position.unit_id}/fans/#{position.key}",
      family: "psc",
      volts: "230",
      rotation: "cw",
      rotation_view: "lead_end",
      mount: "Belly band"
    expect(position.reload.motor_now).to have_attributes(rotation: "ccw", mount: "belly_band")
    send_form "/units/#{position.unit_id}/fans/#{position.key}", plate_line: "230 V 0.9 A PSC CW"
    expect([status, page]).to match [422, include("From which end is that seen?")]
    send_form "/units/#{position.unit_id}/fans/#{position.key}", plate_line: "230 V 0.9 A PSC CWLE SHAFT 1/2 X 6"
    expect(position.reload.motor_now).to have_attributes(rotation: "ccw", shaft_length_mm: be_within(0.01).of(152.4))
    send_form "/units/#{position.unit_id}/fans/#{position.key}", family: "psc", volts: "many", amps: "0"
    expect([status, page]).to match [422, include("not understood as a voltage").and(include("above nothing"))]
  end

  it "lets the shop set a limit of its own, which the core then names" do
    send_form "/settings/shop",
      "shop_name" => "Tarn",
      "rate" => "96",
      "limits[amps.window_low]" => "0.8",
      "limits[amps.window_high]" => "x"
    expect([status, page]).to match [422, include("A number, please.")]
    send_form "/settings/shop",
      "shop_name" => "Tarn",
      "rate" => "96",
      "limits[amps.window_low]" => "0,8",
      "limits[amps.window_high]" => "1.1"
    expect(Setting.read("limits")).to eq("amps.window_low" => 0.8)
    expect(Shared::Shop.limits.source("amps.window_low")).to eq "shop"
  end

  it "finds parts by any piece of their number and survives any page and query" do
    {
      "/parts?q=s12" => "BR-S12-230-L",
      "/parts?kind=blades&q=b254" => "BR-B254-28R",
      "/parts?q=%25_%27;--" => "Nothing by that name",
      "/parts?page=99999" => "in the catalogue"
    }.each do |path, expected|
      get path
      expect([status, page]).to match [200, include(expected)]
    end
  end

  it "opens every page of the demo world" do
    paths =
      %w[/ /jobs /jobs/new /units /units/new /customers /customers/new /parts /settings /style] +
      Unit.limit(15).flat_map { |unit| ["/units/#{unit.id}", "/units/#{unit.id}/edit"] } +
      Job.open.flat_map do |job|
        Job::STATIONS.map { |station| "/jobs/#{job.number}/#{station}" } + ["/jobs/#{job.number}/report"]
      end
    paths.each do |path|
      get path
      expect(status).to eq(200), "#{path} answered #{status}"
    end
  end

  it "puts the next visit into a calendar" do
    job = Job.open.find { |one| one.visits.any? { |visit| visit.starts_at > Time.now } }
    get "/jobs/#{job.number}/next-visit.ics"
    expect(page).to include("BEGIN:VEVENT").and include(job.unit.name)
  end
end
