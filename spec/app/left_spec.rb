# frozen_string_literal: true

require_relative "app_spec_helper"

# What a phone brings for somebody who cannot sign in any more.
RSpec.describe "left by a phone", :rolled_back do
  let(:technician) { create(:user, role: "technician") }
  let(:office) { create(:user, role: "office") }
  let(:job) { create(:job) }
  let(:ticket) { LeftPress.ticket(technician) }

  def press(path = "/jobs/#{job.number}/findings", held: 7200, id: SecureRandom.uuid, **fields)
    body = URI.encode_www_form({client_id: id, fan: "evaporator-1"}.merge(fields))
    {order: @order = @order.to_i + 1, id:, path:, body:, held_seconds: held}
  end

  def leave(*presses, by: ticket)
    post "/left", JSON.generate(entries: presses), "CONTENT_TYPE" => "application/json", "HTTP_X_POCKET_TICKET" => by
    JSON.parse(page)["answers"].map { |one| one["answer"] } if status == 200
  end

  before { technician.update!(active: false) }

  it "is kept as it was sent, once, and changes nothing until the office takes it in under that name and time" do
    one = press(test: "noise", outcome: "silent")
    two = press(test: "fan_motion", outcome: "stopped", held: 3600)
    bad = press(test: "noise", outcome: "purple", held: 60)
    expect([leave(one, two, bad), leave(one, two)]).to eq [%w[taken taken taken], %w[taken taken]]
    expect([job.findings.count, LeftPress.count]).to eq [0, 3]

    sign_in office
    get "/left"
    expect(page).to include(technician.name, "not active", "noise: silent")
    send_form "/left/people/#{technician.uid}"
    found = job.findings.reload
    expect(found.map { |row| [row.outcome, row.user, row.client_id, (Time.now - row.taken_at).round(-2)] }).to eq [
      ["silent", technician, one[:id], 7200], ["stopped", technician, two[:id], 3600]
    ]
    get "/left"
    expect(page).to include "That answer is not known."
    send_form "/left/#{LeftPress.waiting.pick(:id)}", what: "drop"
    expect(LeftPress.waiting).to be_empty
    expect(AuditEntry.where(record_type: "LeftPress").map(&:user)).to eq [office] * 3
  end

  it "brings a photo with it" do
    picture = Rack::Test::UploadedFile.new(StringIO.new(Vips::Image.black(40, 30).pngsave_buffer), "image/png",
      original_filename: "a.png")
    post "/left", {press: JSON.generate(press("/jobs/#{job.number}/photos", caption: "Ice")), photo: picture},
      "HTTP_X_POCKET_TICKET" => ticket
    sign_in office
    get "/left"
    send_form "/left/people/#{technician.uid}"
    expect(job.photos.map { |one|
      [one.caption, one.user, one.file.mime_type]
    }).to eq [["Ice", technician, "image/png"]]
  end

  it "takes no more than fits, and the phone keeps the rest" do
    stub_const("LeftPress::MOST", 1)
    leave(press(test: "noise", outcome: "silent"))
    leave(press(test: "noise", outcome: "grinding"))
    expect([status, JSON.parse(page)["errors"].first["message"],
      LeftPress.count]).to eq [422, "are too many to be left", 1]
  end

  it "opens to a ticket alone, and shows each their own" do
    forged = ticket.sub(/\A./) { |letter| (letter == "A") ? "B" : "A" }
    [forged, "", LeftPress.ticket(technician).then { |one| "#{one}x" }].each do |by|
      leave(press(test: "noise", outcome: "silent"), by:)
      expect([status, LeftPress.count]).to eq [303, 0]
    end
    leave(press(test: "noise", outcome: "silent"))
    sign_in create(:user, role: "technician")
    get "/left"
    expect(page).to include "Nothing waits here."
    send_form "/left/people/#{technician.uid}"
    expect(status).to eq 403
    send_form "/left/#{LeftPress.waiting.pick(:id)}", what: "drop"
    expect([status, LeftPress.waiting.count]).to eq [404, 1]
    technician.update!(active: true)
    sign_in technician
    get "/pocket"
    expect(page).to include "Take in what your phone left"
    send_form "/left/people/#{technician.uid}"
    expect(job.findings.reload.map(&:outcome)).to eq ["silent"]
  end
end
