# frozen_string_literal: true

require_relative "browser_helper"

# Three errands, each brought to a verdict by doing what Fenbo asks next and nothing
# else.
RSpec.describe "following the offered tests" do
  # Opens a job and answers each question from `answers` (test => label, or the figures
  # for its instrument), what is not named there as it is on a sound unit, until Fenbo stops
  # asking.
  def follow(unit, complaint:, fan:, answers:, about: [])
    open_job(unit, complaint, fan, about)
    asked = []
    said = ->(test) {
      answers.fetch(test) { Fenbo::Diagnosis::Test[test].then { |one| one.label(one.ordinary.first) } }
    }
    20.times do
      if page.has_css?(".roundlook", wait: 0)
        asked.concat(look_round(said))
      elsif page.has_css?(".ask input[name=test]", visible: :all, wait: 0)
        test = find(".ask input[name=test]", visible: :all, match: :first).value
        asked << test
        give(test, said[test])
      else
        break
      end
    end
    asked
  end

  # Several quick looks on one card.
  def look_round(said)
    tests = all(".roundlook").map { |one| one.find("input", visible: :all, match: :first)[:name][/\[(\w+)\]/, 1] }
    tests.each do |test|
      find("input[name='seen[#{test}]']", visible: :all, match: :first).find(:xpath, "ancestor::fieldset")
        .choose(said[test])
    end
    click_button "Keep what I saw"
    told Fenbo::Diagnosis::Test[tests.first].short
    tests
  end

  def open_job(unit, complaint, fan, about)
    visit "/jobs/new"
    select unit, from: "Unit"
    fill_in "What the customer says", with: complaint
    about.each { |words| check words }
    click_button "Open the job"
    told "opened"
    choose fan
    click_button "Keep and look"
    told "Call kept"
    visit page.current_path.sub("look", "measure")
  end

  def give(test, answer)
    prove_dead if page.has_css?(".ask .gate button", text: "Proved dead", wait: 0)
    if answer.is_a?(Hash)
      figures(answer)
      told "kept:"
    else
      within(".ask") { find("button.answer", text: answer, match: :first).click }
      told Fenbo::Diagnosis::Test[test].short
    end
  end

  # A press on the page that is on its way out would be lost.
  def prove_dead
    click_button "Proved dead", match: :first
    expect(page).to have_no_css(".ask .gate button", text: "Proved dead")
  end

  def figures(typed)
    click_link "Type the figures"
    typed.each { |field, value| fill_in(field, with: value, match: :first) }
    click_button "Keep reading"
  end

  before { sign_in_as "ilka" }

  it "finds the open winding of a dead fan in a reach-in, and says what to buy" do
    asked =
      follow(
        "Hut kitchen, The hut",
        complaint: "Nothing moves behind the grille.",
        fan: "Evaporator fan 1",
        about: ["a fan stands still"],
        answers: {
          "fan_motion" => "Stands still",
          "noise" => "Silent",
          "setting" => "Right",
          "control_call" => "Calling",
          "door_switch_held" => "No change",
          "voltage_at_motor" => "In range",
          "spin_by_hand" => "Free",
          "blade_state" => "Sound",
          "connector_look" => "Good",
          "amps" => {
            "Display" => "0,00",
            "Turns in the jaw" => "5",
            "Voltage" => "229"
          },
          "insulation" => {
            "A–B" => "open",
            "To ground" => "300"
          },
          "winding_ohms" => {
            "A–B" => "open",
            "To ground" => "300"
          },
          "box_temperature" => "Warm",
          "airflow" => "None",
          "motor_heat" => "Warm",
          "frost_pattern" => "Thin and even",
          "sound_recording" => "Silent"
        }
      )
    expect(page).to have_css ".ask h2", text: "Winding open"
    expect(asked.size).to be <= 12
    expect(asked).not_to include "voltage_balance", "capacitor"
    click_link "To the decision"
    expect(page).to have_content "Replace the motor"
  end

  it "finds the dry bearing in a three-phase bank, the odd one marked beside its neighbours" do
    asked =
      follow(
        "Tulip hall roof, Auction halls",
        complaint: "The second fan squeals.",
        fan: "Condenser fan 2",
        about: ["noise"],
        answers: {
          "fan_motion" => "Runs",
          "noise" => "Squeals",
          "blade_state" => "Sound",
          "mount_check" => "Firm",
          "spin_by_hand" => "Gritty",
          "shaft_play" => "Rocks",
          "connector_look" => "Good",
          "condenser_face" => "Clean",
          "sound_recording" => "Bearing",
          "airflow" => "Normal",
          "voltage_balance" => {
            "a–b" => "401",
            "b–c" => "400",
            "c–a" => "399"
          },
          "hub_grip" => "Grips",
          "amps" => {
            "Leg a" => "1.6",
            "Leg b" => "1.62",
            "Leg c" => "1.58"
          },
          "box_temperature" => "At setpoint",
          "motor_heat" => "Hot",
          "winding_ohms" => {
            "A–B" => "5.1",
            "B–C" => "5.1",
            "C–A" => "5.2"
          }
        }
      )
    expect(page).to have_css ".ask h2", text: "Bearing worn"
    expect(asked.size).to be <= 12
    # Two neighbours read: the bank says which one is not like the others.
    job = Job.order(:number).last
    {"condenser-1" => "1.21", "condenser-3" => "1.22", "condenser-2" => "1.62"}.each do |fan, amps|
      visit "/jobs/#{job.number}/measure?fan=#{fan}"
      %w[a b c].each { |leg| fill_in "Leg #{leg}", with: amps }
      click_button "Keep reading"
      told "Clamp kept"
    end
    expect(page).to have_css ".bank .odd", count: 1
    expect(find(".bank .odd")).to have_text "draws more than the others"
  end

  it "finds the failed defrost of an iced walk-in whose fans all run, and shows what each answer moved" do
    follow(
      "Sample store A, Upper station",
      complaint: "The coil is a block of ice, the fans run.",
      fan: "Evaporator fan 1",
      about: ["ice", "too warm"],
      answers: {
        "fan_motion" => "Runs",
        "noise" => "Even air",
        "airflow" => "None",
        "frost_pattern" => "Solid all over",
        "box_temperature" => "Very warm",
        "door_seal" => "Holds",
        "setting" => "Right",
        "water_present" => "Dry",
        "coil_through_light" => "Iced",
        "forced_defrost" => "No heat",
        "defrost_heater_ohms" => "Open",
        "load_blocking_air" => "Clear",
        "blade_state" => "Sound",
        "discharge_air_difference" => "None, coil cold",
        "drain_check" => "Runs off",
        "sight_glass" => "Clear",
        "blade_cleanliness" => "As around it"
      }
    )
    expect(page).to have_css ".ask h2", text: "Defrost failed"
    expect(page).to have_css "#company", text: "What comes along"
    visit "#{page.current_path}?test=drain_check"
    give "drain_check", "Blocked"
    expect(page).to have_css ".moved", text: "↑"
    find("body").send_keys("u")
    told "Taken back"
  end
end
