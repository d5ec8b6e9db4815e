# frozen_string_literal: true

require_relative "app_spec_helper"
require "csv"

RSpec.describe "The catalogue", :rolled_back do
  # A whole file through both halves of an import.
  def bring(csv, kind: "motors")
    import =
      CatalogueImport.create!(
        user: User.find_by!(login: "mette"),
        kind:,
        file_name: "parts.csv",
        content: csv,
        lines: csv.lines.size - 1
      )
    Catalogue::LookThrough.new(import).run
    import.reload
  end

  def csv(*rows)
    CSV.generate { |out| [rows.first.keys, *rows.map(&:values)].each { |row| out << row } }
  end

  plain = {
    "part_no" => "ZZ-1",
    "maker" => "Brennik",
    "family" => "shaded_pole",
    "volts" => "230",
    "amps" => "0.42",
    "watts" => "58",
    "price_cents" => "5000"
  }

  it "is what it promises: enough motors, blades and kits, and no plate that contradicts itself" do
    expect([Motor.count, Blade.count, Motor.where.not(kit_contents: nil).count]).to match [
      (be >= 1500),
      (be >= 600),
      (be >= 120)
    ]
    odd =
      Motor.all.reject do |motor|
        Fenbo::Matching::Coherence.new(motor.attributes, Fenbo::Limits.default).clashes.empty?
      end
    expect(odd.map(&:part_no)).to eq []
    expect(Demo::MotorMaker.new.rows.first(50)).to eq Demo::MotorMaker.new.rows.first(50)
  end

  it "finds a motor by the number of what it replaces" do
    motor = Motor.where("cardinality(cross_reference) > 0").order(:part_no).first
    old = motor.cross_reference.first
    sign_in create(:user)
    get "/parts?q=#{old.downcase.delete("-")}"
    expect(page).to include motor.part_no
    expect(Motor.like(old)).to include motor
    expect(Motor.like("--")).to be_empty
  end

  it "finds a part however its number is typed, the very number first" do
    ["br-s12-230-l", "BRS1223OL", "brs12 23o l", "Br/S12.230-L"].each do |text|
      expect(Motor.like(text).nearest(text).first&.part_no).to eq "BR-S12-230-L"
    end
    expect(Motor.like("s12-23o").nearest("s12-23o").pluck(:part_no)).to include("BR-S12-230-L", "BR-S12-230-R")
    expect(Motor.like("--").count).to eq 0
  end

  it "knows what replaces what, both ways" do
    original, kit = Motor.find_by!(part_no: "OS-I4-230"), Motor.find_by!(part_no: "KA-K4-I")
    expect(original.replacements).to include kit
    expect(kit.replaces).to include original
  end

  it "gives out every row so that bringing it in again changes nothing" do
    %w[motors blades accessories].each do |kind|
      text = Catalogue::Export.new(kind).each.to_a.join
      import = bring(text, kind:)
      expect([import.faulty, import.added, import.changed_rows, import.faults.first]).to eq [0, 0, 0, nil]
      expect(import.same).to eq CatalogueImport::MODELS[kind].count
    end
  end

  it "takes what a spreadsheet saved with semicolons and decimal commas for the same" do
    text = Catalogue::Export.new("motors").each.to_a.join
    saved = CSV.parse(text).map { |row| row.map { |cell| cell&.gsub(/(?<=\d)\.(?=\d{1,2}(?:;|\z))/, ",") } }
    import = bring(saved.map { |row| CSV.generate_line(row, col_sep: ";") }.join)
    expect([import.faulty, import.added, import.changed_rows, import.same]).to eq [0, 0, 0, Motor.count]
  end

  it "names every fault by line and column, units and doubles too, and changes nothing" do
    import =
      bring(
        csv(
          plain,
          plain.merge("part_no" => "ZZ-2", "amps" => "420", "price_cents" => "50.00"),
          plain.merge("part_no" => "zz1"),
          plain.merge("part_no" => "BRS12230L"),
          plain.merge("part_no" => "ZZ-3", "family" => "petrol", "watts" => "150")
        )
      )
    expect(import.faults.map { |one| one.values_at("line", "column") }).to eq [
      [3, "amps"],
      [3, "price_cents"],
      [4, "part_no"],
      [5, "part_no"],
      [6, "family"]
    ]
    expect(import.faults.map { |one| one["message"] }.join(" ")).to include(
      "looks like milliamperes", "cents", "line 2", "BR-S12-230-L", "petrol"
    )
    expect(import).not_to be_ready
    expect(
      bring(csv(plain, plain.merge("part_no" => "ZZ-2", "volts" => "x")).sub("\n", "\n\n")).faults.map do |one|
        one["line"]
      end
    ).to eq [4]
    expect(Catalogue::Work.take(import)).to be false
    expect(Motor.where(maker: "Brennik", part_no: "ZZ-1")).to be_empty
    expect(bring("part_no,maker,family\nA,\"B,psc\n").faults.first["message"]).to include "not CSV"
  end

  it "says what would change, leaves columns alone that the file does not have, and takes all of it" do
    before = Motor.find_by!(part_no: "BR-S12-230-L")
    import =
      bring(
        csv(
          plain.slice("part_no", "maker", "family", "price_cents"),
          {"part_no" => before.part_no, "maker" => before.maker, "family" => before.family, "price_cents" => "4711"}
        )
      )
    expect([import.added, import.changed_rows, import.differences]).to eq [
      1,
      1,
      [{"line" => 3, "part_no" => before.part_no, "changes" => [["price_cents", before.price_cents, 4711]]}]
    ]
    Catalogue::Take.new(import).run
    expect(before.reload).to have_attributes(price_cents: 4711, shaft_length_mm: 30.0, amps: before.amps)
    expect([Motor.find_by(part_no: "ZZ-1")&.price_cents, import.reload.state, import.content]).to eq [
      5000,
      "taken",
      nil
    ]
  end

  it "breaks off whole: what the database will not have is said, and the rest is not taken either" do
    import = bring(csv(plain, plain.merge("part_no" => "ZZ-2")))
    # Somebody else's hand in the laid-aside rows, after they were looked through.
    CatalogueImport.connection.execute(
      "UPDATE staged_parts SET values = values || '{\"family\": \"petrol\"}' WHERE part_no = 'ZZ-2' AND " \
      "catalogue_import_id = #{import.id}"
    )
    expect { queued { Catalogue::Work.take(import) } }.to output(/check constraint/).to_stderr
    expect(import.reload).to have_attributes(state: "taking", message: include("tried again by itself"))
    expect(WorkQueue.broken.first).to have_attributes(tries: 1, message: include("check constraint"), given_up: false)
    expect { 3.times { work_off } }.to output(/check constraint/).to_stderr
    expect(import.reload).to have_attributes(state: "broken", message: include("Nothing was changed"))
    expect(WorkQueue.broken.first.given_up).to be true
    expect(Motor.where(part_no: %w[ZZ-1 ZZ-2])).to be_empty
  end

  it "waits in the database until somebody does it, and only tidies what was taken before the process died" do
    import = bring(csv(plain))
    Que::Job.run_synchronously = false
    expect { Catalogue::Work.take(import) }.to change(WorkQueue, :waiting).by(1)
    expect([import.reload.state, Motor.where(part_no: "ZZ-1").count]).to eq ["taking", 0]
    Catalogue::Take.new(import).run
    Motor.find_by!(part_no: "ZZ-1").update!(price_cents: 7)
    work_off
    expect([WorkQueue.waiting, import.reload.state]).to eq [0, "taken"]
    expect(Motor.find_by!(part_no: "ZZ-1").price_cents).to eq 7
  ensure
    Que::Job.run_synchronously = true
  end

  # Asked for as in the running house, then done once as its worker does.
  def queued
    Que::Job.run_synchronously = false
    yield
    work_off
  ensure
    Que::Job.run_synchronously = true
  end

  def work_off
    row = Que.execute("SELECT * FROM que_jobs WHERE job_class LIKE 'Catalogue%' ORDER BY id DESC LIMIT 1").first
    Object.const_get(row[:job_class]).new(row)._run
  end

  it "holds back no motor that the core would take from the whole catalogue" do
    %w[Cheese\ cellar\ 2 Dairy\ roof Hut\ kitchen Seed\ vault Tulip\ hall\ roof].each do |name|
      job = Job.open.joins(:unit).find_by!(units: {name:})
      search = Stations::Match::PartSearch.new(file(job), file(job).fan_in_hand)
      all = Motor.core_rows.map { |row| row.except("maker").compact }
      whole = Fenbo.call(:match, search.question.merge("motors" => all))
      expect(whole[:candidates].map { |one| one[:part_no] } - search.candidates.map { |one| one[:part_no] }).to eq []
    end
  end
end

RSpec.describe "Catalogue files at the door", :rolled_back do
  def upload(text, name = "parts.csv")
    Rack::Test::UploadedFile.new(StringIO.new(text), "text/csv", original_filename: name)
  end

  it "refuses what is no catalogue with a plain sentence, and what is none of a technician's business" do
    sign_in create(:user, role: "office")
    {
      "" => "empty",
      "hello\nworld\n" => "does not name the columns",
      "part_no,maker,volts\nA,B,230\n" => "family are missing",
      "part_no,maker,family,part_no\n" => "twice",
      "\xFF\xFEpart_no" => "not UTF-8"
    }.each do |text, words|
      get "/imports"
      send_form "/imports", file: upload(text)
      expect([last_response.status, last_response.body]).to match [422, include(words)]
    end
    get "/parts/export/motors.csv"
    expect(last_response.body.lines.first.chomp.split(",")).to eq Fenbo::Matching::Sheet.of("motors").columns.keys
    sign_in create(:user)
    get "/imports"
    expect(last_response.status).to eq 403
  end
end
