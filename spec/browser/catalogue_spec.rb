# frozen_string_literal: true

require_relative "browser_helper"
require "tempfile"

# The office brings a maker's price list: refused as a whole while a row is wrong, shown
# before it is taken, and the same once more changes nothing.
RSpec.describe "bringing a price list" do
  def bring(*rows)
    file = Tempfile.new(["prices", ".csv"])
    file.write("part_no,maker,family,volts,amps,price_cents\n", *rows.map { |row| "#{row}\n" })
    file.close
    visit "/imports"
    attach_file "file", file.path
    click_button "Look it through"
  end

  after do
    Motor.find_by!(part_no: "BR-S12-230-R").update!(@was) if @was
    Motor.where(part_no: "BR-S12-230-NEW").delete_all
  end

  it "names the wrong cell, shows what would change, takes all of it, and finds nothing new the second time" do
    known = Motor.find_by!(part_no: "BR-S12-230-R")
    @was = known.attributes.slice("price_cents", "volts", "amps")
    same = "BR-S12-230-R,Brennik,shaded_pole,230,#{known.amps.first},"
    sign_in_as "mette"
    bring "#{same}61.90", "BR-S12-230-NEW,Brennik,shaded_pole,230,430,5200"
    expect(page).to have_text "Nothing is taken while these stand"
    expect(page).to have_css "tr", text: /2\s+price_cents.*cents/
    expect(page).to have_css "tr", text: /3\s+amps.*milliamperes/
    expect(page).to have_no_button "Take all of it"

    bring "#{same}6190", "BR-S12-230-NEW,Brennik,shaded_pole,230,0.43,5200"
    expect(page).to have_css "tr", text: /BR-S12-230-R.*price_cents #{known.price_cents} → 6190/
    click_button "Take all of it"
    expect(page).to have_text "Taken: 1 new part, 1 changed, 0 as before."
    visit "/parts/motors/BR-S12-230-R"
    expect(page).to have_text "61.90 €"
    expect(known.reload.shaft_length_mm).to eq 38.0

    bring "#{same}6190", "BR-S12-230-NEW,Brennik,shaded_pole,230,0.43,5200"
    expect(page).to have_button "Take all of it"
    expect(page).to have_no_text "What would change"
    click_button "Drop the file"
    told "prices"
  end
end
