# frozen_string_literal: true

require "pdf-reader"
require "nokogiri"
require_relative "app_spec_helper"

# What lies on a van: counted, restocked, handed over, taken for a job and put back, and the last
# piece goes to whoever takes it first.
RSpec.describe Vans, :rolled_back do
  let(:technician) { create(:user) }
  let(:colleague) { create(:user) }
  let(:motor) { Motor.find_by!(part_no: "BR-S12-230-R") }
  let(:there) { ->(user = technician) { VanStock.find_by(user:, part_no: motor.part_no)&.count.to_i } }

  before do
    sign_in technician
    get "/van"
  end

  def note(kind, count, **fields)
    send_form "/van", kind:, count: count.to_s, part_no: motor.part_no, client_id: SecureRandom.uuid, **fields
  end

  it "prints labels whose code opens its part on the van" do
    note("restocked", 2)
    get "/van/labels.pdf"
    read = PDF::Reader.new(StringIO.new(last_response.body))
    expect([read.pages.size, read.pages.first.text]).to match [1, include(motor.part_no)]
    # One dark module at least in each row of the code: rectangles, not a picture.
    expect(read.pages.first.raw_content.scan(/ re$/).size).to be > 300
    get "/van?part=#{motor.part_no}"
    expect(page).to include %(value="#{motor.part_no}")
  end

  # A job of this technician's with the motor chosen, and the way of getting it from the van.
  def job_of(user)
    create(:job, technician: user).tap do |job|
      book = Logbook.new(Job.find(job.id), user)
      book.take(Entries::Part.new(fault: "evaporator-1", part_no: motor.part_no, grade: "drop_in", checks: []))
    end
  end

  def order(job, user, offer = "van")
    option = {"offer" => offer, "total_cents" => 100, "product_loss_cents" => 0, "lines" => []}
    Logbook.new(Job.find(job.id), user).take(
      Entries::Offer.new(fault: "evaporator-1", option:, ready_at: Time.now, second_trip: false)
    )
  end

  it "is put on, taken off, counted and handed to a colleague, each press once" do
    twice = SecureRandom.uuid
    2.times { note("restocked", 3, client_id: twice) }
    note("taken", 1)
    expect([there.call, VanMove.where(user: technician).pluck(:kind, :change)]).to eq [
      2, [["restocked", 3], ["taken", -1]]
    ]
    note("counted", 5)
    note("handed_over", 2, to: colleague.id.to_s)
    expect([there.call, there.call(colleague), VanMove.last.kind]).to eq [3, 2, "received"]
    send_form "/van/least", part_no: motor.part_no, least: "4"
    get "/van"
    expect(page).to include "Too few", "#{motor.part_no} (3 of 4)"
  end

  it "says of each piece what it is, a motor, another part or a blade" do
    spare, blade = Spare.find_by!(kind: "run_capacitor"), Blade.first!
    [motor, spare, blade].each { |part| note("restocked", 1, part_no: part.part_no) }
    get "/van"
    words = Nokogiri::HTML(page).css("th .meta").map { |one| one.text.squish }
    expect(words).to contain_exactly(start_with("shaded pole, 230 V"), start_with("Run capacitor, "),
      start_with("blade, #{blade.diameter_mm.round} mm"))
  end

  it "answers what cannot be at its field, with what was typed" do
    note("taken", 2)
    expect([status, page]).to match [422, include("So many are not on it.", motor.part_no)]
    note("handed_over", 1)
    expect([status, page]).to match [422, include("To whom?")]
    note("restocked", "many", part_no: "NO-SUCH")
    expect([status, page]).to match [422, include("No part of this number", "A whole number", "NO-SUCH")]
    expect(VanMove.where(user: technician).count).to eq 0
    send_form "/van/least", part_no: "none such", least: "4"
    here = Nokogiri::HTML(page)
    least, change = here.at_css("form[action='/van/least']"), here.at_css("form#change")
    expect([status, least.css("input[name=part_no], input[name=least]").map { |one| one["value"] },
      least.css(".fault").text, change.css(".fault").size])
      .to eq [422, ["none such", "4"], "No part of this number is in the catalogue.", 0]
  end

  it "is offered at Source where it is there, taken for the job, and put back when it is not wanted" do
    job = job_of(technician)
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).not_to include "On the van"
    note("restocked", 1)
    get "/jobs/#{job.number}/source?fan=evaporator-1"
    expect(page).to include "On the van"
    2.times { order(job, technician) }
    expect(there.call).to eq 0
    order(job, technician, "tarn")
    expect(there.call).to eq 1
    order(job, technician)
    Logbook.new(Job.find(job.id), create(:user, role: "office")).take(Entries::Cancel.new(reason: "sold"))
    expect([there.call, VanMove.last.kind, VanMove.last.job]).to eq [1, "put_back", job]
  end

  it "gives the last piece to whoever takes it first, and tells the other" do
    note("restocked", 1)
    first, second = Array.new(2) { job_of(technician) }
    order(first, technician)
    expect { order(second, technician) }.to raise_error(Logbook::Refused, /is gone from the van/)
    expect([there.call, file(second).part_choice.offer]).to eq [0, nil]
  end
end
