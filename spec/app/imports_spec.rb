# frozen_string_literal: true

require_relative "app_spec_helper"

# A catalogue file from the door to the parts, as the office brings it.
RSpec.describe Catalogue::Imports, :rolled_back do
  let(:office) { create(:user, role: "office") }
  let(:head) { "part_no,maker,family,volts,amps,watts,price_cents\n" }

  before do
    sign_in office
    get "/imports"
  end

  after { Que::Job.run_synchronously = true }

  def bring(*rows)
    file = Rack::Test::UploadedFile.new(StringIO.new(head + rows.join("\n")), "text/csv",
      original_filename: "spring.csv")
    send_form("/imports", file:)
    CatalogueImport.order(:id).last.tap { |import| get "/imports/#{import.id}" }
  end

  def press(import, what)
    send_form "/imports/#{import.id}/#{what}"
    [status, CatalogueImport.find_by(id: import.id)&.state]
  end

  it "looks a file through, shows what would change, takes it once and says so" do
    import = bring("ZZ-1,Brennik,shaded_pole,230,0.42,58,5000", "BR-S12-230-L,Brennik,shaded_pole,230,0.43,60,4711")
    expect(page).to include "spring.csv", "BR-S12-230-L", "4711"
    expect(press(import, "take")).to eq [303, "taken"]
    expect([Motor.find_by!(part_no: "ZZ-1").watts,
      Motor.find_by!(part_no: "BR-S12-230-L").price_cents]).to eq [58, 4711]
    get "/imports/#{import.id}"
    expect(page).to include "Taken:", "1 new part", "To the parts"
    expect(AuditEntry.where(action: "imported",
      user: office).last.changes_made).to include "file" => "spring.csv", "added" => 1
  end

  it "does nothing more to a file that was taken, and says why" do
    import = bring("ZZ-1,Brennik,shaded_pole,230,0.42,58,5000")
    press(import, "take")
    %w[take again drop].each do |what|
      expect(press(import, what)).to eq [422, "taken"]
      expect(page).to match(/taken already/)
    end
    expect(Motor.where(part_no: "ZZ-1").count).to eq 1
    get "/imports"
    expect(page).to include "spring.csv"
  end

  it "shows a file's faults by line, takes none of it, and drops it" do
    import = bring("ZZ-1,Brennik,shaded_pole,230,0.42,58,5000", "ZZ-2,Brennik,petrol,230,0.42,58,5000")
    expect(page).to include "petrol"
    expect(press(import, "take")).to eq [422, "checked"]
    expect(page).to include "mend the file and bring it again"
    expect(press(import, "drop")).to eq [303, nil]
    follow_redirect!
    expect(page).to include "spring.csv dropped; the catalogue is as it was"
    expect(Motor.where(part_no: "ZZ-1")).to be_empty
  end

  it "leaves a file alone that is being worked on, and begins anew with one whose program was stopped" do
    Que::Job.run_synchronously = false
    import = bring("ZZ-1,Brennik,shaded_pole,230,0.42,58,5000")
    expect(page).to include "Looking it through", "/progress"
    %w[again drop].each { |what| expect(press(import, what)).to eq [422, "waiting"] }
    expect(page).to include "It is being worked on"
    import.reload.update!(state: "checking", beat_at: 5.minutes.ago)
    get "/imports/#{import.id}/progress"
    expect(page).to include "It broke off", "Look it through again"
    expect(page).not_to include "hx-get"
    Que::Job.run_synchronously = true
    expect(press(import, "again")).to eq [303, "checked"]
  end

  it "answers a file that nobody brought, and a technician, like any other door" do
    [["/imports/999999", 404], ["/imports/nonsense", 404]].each do |path, code|
      get path
      expect(status).to eq code
    end
    sign_in create(:user)
    get "/imports"
    expect(status).to eq 403
  end
end
