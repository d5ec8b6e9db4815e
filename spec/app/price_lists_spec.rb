# frozen_string_literal: true

require_relative "app_spec_helper"

# A supplier's price list as it comes: who it is, its terms, and a file with a line a part.
RSpec.describe PriceLists::Form, :rolled_back do
  let(:counter) do
    {name: "Lane counter", kind: "counter", days: %w[1 2 3 4 5], from: "07:30", to: "17:00", travel_minutes: "20",
     csv: "part_no,price\nKA-E16-230,80\n"}
  end
  let(:sender) {
    {name: "Far house", kind: "order", lead_days: "2", freight: "12.50", cutoff: "15:00", csv: counter[:csv]}
  }

  def form(typed)
    described_class.new(Sinatra::IndifferentHash.new.merge(typed))
  end

  def faults(typed)
    form(typed).tap { |one| expect(one.save).to be_nil }.faults
  end

  def lines(text) = faults(counter.merge(csv: text))["csv"]

  it "keeps a counter with its hours and a house that sends with its terms" do
    kept = form(counter).save
    expect(kept.terms).to eq "travel_minutes" => 20,
      "open" => {"days" => [1, 2, 3, 4, 5], "from" => "07:30", "to" => "17:00", "closed" => []}
    expect(form(sender).save.terms).to eq "lead_days" => 2, "freight_cents" => 1250, "cutoff" => "15:00"
    expect(Setting.read("price_lists")).to eq Supplier.count
  end

  it "reads a list with commas or semicolons, its own order and spelling of columns" do
    supplier = form(counter.merge(csv: "\uFEFFTheir no;Price;In stock;Part no;Lead days\n" \
      "X-1;42,50;no;br-s12-230-l;3\n;80;;KA-E16-230;\n;;;;\n;80,00;yes;ka-e16-230;\n")).save
    rows = supplier.supplier_prices.order(:part_no)
    expect(rows.map { |row| [row.part_no, row.price_cents, row.in_stock, row.lead_days, row.their_no] }).to eq [
      ["BR-S12-230-L", 4250, false, 3, "X-1"], ["KA-E16-230", 8000, true, nil, nil]
    ]
  end

  it "puts a new list in the place of the last one, whoever writes the name how" do
    first = form(counter).save
    second = form(counter.merge(name: "LANE counter", csv: "part_no,price\nBR-S12-230-L,59\n")).save
    expect([second.id, second.supplier_prices.reload.pluck(:part_no)]).to eq [first.id, ["BR-S12-230-L"]]
  end

  it "names every wrong field at once" do
    expect(faults({}).keys).to match_array %w[name kind days from to travel_minutes csv]
    expect(faults(counter.merge(from: "17:00", to: "07:30"))["to"]).to include "Later than the first"
    expect(faults(counter.merge(from: "7", to: "25:00", closed: "whitsun")).keys).to match_array %w[from to closed]
    expect(faults(sender.merge(lead_days: "soon", freight: "free", cutoff: "noon")).keys)
      .to match_array %w[lead_days freight cutoff]
  end

  it "says what is wrong with the file, by line, the first few at once" do
    expect(lines("hello\nworld\n")).to eq "It needs the columns part_no and price."
    expect(lines("part_no,price\n")).to eq "It has no line with a part."
    expect(lines("part_no,price\nA,80\nB,7\na,81\n")).to eq "A stands in 2 lines that differ."
    expect(lines("part_no,price\n#{"A" * 61},80\n")).to include "Line 2: part_no is longer than 60"
    expect(lines("part_no,price\nA,\"B\n")).to start_with "Not a CSV file"
    expect(lines("part_no,price,in_stock,lead_days\nA,cheap,,\nB,1,perhaps,\nC,1,,soon\n")).to eq(
      "Line 2: “cheap” is no price like 42.50. Line 3: in_stock is yes or no, not “perhaps”. " \
      "Line 4: lead_days is a whole number, not “soon”."
    )
    many = lines("part_no,price\n" + Array.new(9) { |index| "P#{index},x\n" }.join)
    expect([many.scan("Line ").size, many]).to match [5, end_with("And 4 more.")]
    stub_const("#{described_class}::MOST_LINES", 2)
    expect(lines("part_no,price\nA,1\nB,1\nC,1\n")).to eq "More than 2 lines."
  end

  it "keeps the list that was there where the new one is refused" do
    form(counter).save
    faults(counter.merge(csv: "part_no,price\nA,x\n"))
    expect(Supplier.find_by!(name: "Lane counter").supplier_prices.pluck(:part_no)).to eq ["KA-E16-230"]
  end

  it "is taken at the door by the office, shown again with what was typed, and dropped" do
    sign_in create(:user, role: "office")
    get "/suppliers"
    send_form "/suppliers", **counter, csv: "part_no,price\nA,x\n"
    expect([status, page]).to match [422, include("no price like", "Lane counter")]
    send_form "/suppliers", **counter
    follow_redirect!
    expect(page).to include "Lane counter: 1 price"
    supplier = Supplier.find_by!(name: "Lane counter")
    send_form "/suppliers/#{supplier.uid}/drop"
    expect([status, Supplier.exists?(supplier.id), Setting.read("price_lists")]).to eq [303, false, Supplier.count]
    send_form "/suppliers/#{SecureRandom.uuid}/drop"
    expect(status).to eq 404
    send_form "/suppliers/nobody/fault", kind: "silent"
    expect(status).to eq 404
    sign_in create(:user)
    get "/suppliers"
    send_form "/suppliers", **counter
    expect(status).to eq 403
  end
end
