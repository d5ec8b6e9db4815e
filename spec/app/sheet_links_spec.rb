# frozen_string_literal: true

require "pdf-reader"
require_relative "app_spec_helper"

# The sheet, read as its customer: by a link that shows it and nothing else.
RSpec.describe SheetLink, :rolled_back do
  let(:job) { create(:job) }
  let(:technician) { create(:user) }

  def link
    send_form "/jobs/#{job.number}/sheet"
    page[%r{/sheet/[\w-]+}]
  end

  def text
    PDF::Reader.new(StringIO.new(last_response.body)).pages.map(&:text).join("\n")
  end

  before do
    sign_in technician
    get "/jobs/#{job.number}/hand_over"
  end

  it "shows the sheet to whoever has it, and ends with the next one and with its time" do
    first = link
    second = link
    clear_cookies
    get first
    expect(status).to eq 404
    get second
    expect([status, last_response.content_type, text]).to match [200, "application/pdf", include(job.complaint)]
    expect(text).not_to include("Still to be proved")
    expect(described_class.last.seen_at).not_to be_nil
    get "/jobs/#{job.number}/report"
    expect(status).to eq 303
    described_class.update_all(expires_at: 1.minute.ago)
    get second
    expect([status, page]).to match [404, include("This link has ended")]
    get "/sheet/guess"
    expect(status).to eq 404
  end

  it "says who signed, or why nobody did, and keeps letters its font has not by their names" do
    send_form "/jobs/#{job.number}/hand_over", summary: "Мотор заменён, 電 out", unsigned_because: "Nobody on site"
    get "/jobs/#{job.number}/report.pdf"
    expect(text).to include("Not signed: Nobody on site").and(include("Мотор заменён")).and(include("[U+96FB]"))
  end

  it "reads an EC motor in watts, a superseded reading not at all, and what was left out with its reason" do
    fan = job.unit.position("evaporator-1")
    fan.motor_now.update!(family: "ec", amps: [0.17], watts: 22.9, control: "program")
    [{amps: "0,16", turns: "1"}, {amps: "0,16", watts: "21", turns: "1"}].each do |typed|
      send_form "/jobs/#{job.number}/readings", tool: "amps", volts: "230", turning: "yes", **typed
    end
    send_form "/jobs/#{job.number}/decide", cause: "ec_module_failed", action: "replace", reason: "seen",
      fan: "evaporator-1"
    get "/jobs/#{job.number}/report.pdf"
    first_page = PDF::Reader.new(StringIO.new(last_response.body)).pages.first.text
    expect(first_page).to match(/Before: 21 W, within \(window [\d.]+ to [\d.]+ W\)/)
    expect(text).not_to match(/0 of \d+ steps|100 %|· ·/)
  end
end
