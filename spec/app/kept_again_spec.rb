# frozen_string_literal: true

require "nokogiri"
require_relative "app_spec_helper"

# A page shows figures rounded, and in its reader's own units: kept again as it stands, it
# changes nothing of what lies behind it.
RSpec.describe Shared::Form, :rolled_back do
  before { sign_in create(:user, role: "office", unit_system: "us") }

  # Sends the form of a page as a browser would that nobody typed in.
  def keep_again(path, action = path)
    get path
    form = Nokogiri.HTML5(page).at_css(%(form[action^="#{action}"][method=post])) or raise "no form at #{path}"
    post form["action"], fields(form)
    expect([path, status]).to eq [path, 303]
  end

  def fields(form)
    form.css("input[name], select[name], textarea[name]")
      .reject { |one| %w[radio checkbox].include?(one["type"]) && !one["checked"] }
      .group_by { |one| one["name"] }
      .to_h { |name, all| [name.delete_suffix("[]"), name.end_with?("[]") ? all.map { value(_1) } : value(all.last)] }
  end

  def value(one)
    return one["value"] || one.text unless one.name == "select"
    (one.at_css("option[selected]") || one.at_css("option"))&.[]("value")
  end

  def as_kept(row) = row.reload.attributes.except("lock_version", "updated_at")

  it "leaves units, plates and calls as they were" do
    Unit.find_each do |unit|
      expect { keep_again("/units/#{unit.id}/edit", "/units/#{unit.id}") }.not_to(change { as_kept(unit) })
      unit.fan_positions.each do |fan|
        motor = fan.motor_now or next
        expect { keep_again("/units/#{unit.id}/fans/#{fan.key}") }.not_to(change { as_kept(motor) })
      end
    end
    Job.open.find_each do |job|
      expect { keep_again("/jobs/#{job.number}/call") }.not_to(change { as_kept(job) })
    end
  end

  it "leaves how a shaft sits, and what a box read on leaving, as they were" do
    sign_in create(:user, unit_system: "us")
    job = Job.open.joins(:unit).find_by!(units: {name: "Seed vault"})
    fan = job.position_in_hand
    place = -> { file(job).unit.fan(fan.key).place }
    # 13.3 mm are 0.5236 in.
    get "/jobs/#{job.number}/fitting?fan=#{fan.key}&part=BR-U12-230"
    send_form "/jobs/#{job.number}/fitting", fan: fan.key, part: "BR-U12-230", old_seat: "13.3 mm", guard: "46.1 mm",
      orifice: "20 mm", boss: "1.7 mm", hub: "14 mm", towards_motor: "4 mm", towards_front: "18 mm", spacers: "2",
      spacer: "1.6 mm", tolerance: "0.5 mm"
    before = place.call
    keep_again("/jobs/#{job.number}/fitting?fan=#{fan.key}&part=BR-U12-230", "/jobs/#{job.number}/fitting")
    expect([place.call.id == before.id, place.call.question]).to eq [false, before.question]

    get "/jobs/#{job.number}/prove"
    send_form "/jobs/#{job.number}/prove/temperatures", arrival: "9.23 °C", leaving: "4.17 °C"
    job.reload.update!(box_read_at: 2.hours.ago)
    expect { keep_again("/jobs/#{job.number}/prove", "/jobs/#{job.number}/prove/temperatures") }
      .not_to(change { [as_kept(job), as_kept(job.visits.last)] })
  end
end
