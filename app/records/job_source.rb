# frozen_string_literal: true

# Builds the job file from the database, in one question: every table's rows come as
# JSON, and this is the only place that knows which column is which member.
#
#   JobSource.numbered(214)   #=> Fenbo::JobFile::Job
class JobSource
  include RowValues

  # The query, with its rows as JSON.
  SQL = File.read(File.join(__dir__, "job_source.sql")).freeze

  # @raise [ActiveRecord::RecordNotFound]
  def self.numbered(number)
    find("j.number", Integer(number))
  end

  # @raise [ActiveRecord::RecordNotFound]
  def self.uid(uid)
    find("j.uid", uid)
  end

  # Prepared: to plan it takes the database half as long as to answer it.
  def self.find(column, value)
    found = ActiveRecord::Base.connection.select_all(SQL.sub("/*which*/", "#{column} = $1"), "job file", [value],
      preparable: true)
    raise ActiveRecord::RecordNotFound, "no such job" if found.empty?
    new(JSON.parse(found.rows.first.first)).job
  end
  private_class_method :find

  def initialize(rows)
    @rows = rows
    @people = rows["people"].to_h { |row| [row["id"], person(row)] }
    @fans = rows["fans"].to_h { |row| [row["id"], "#{row["side"]}-#{row["number"]}"] }
    @visits = rows["visits"].to_h { |row| [row["id"], row["uid"]] }
    @readings = rows["readings"].to_h { |row| [row["id"], row["client_id"]] }
  end

  def job
    row = @rows["job"]
    part(
      Fenbo::JobFile::Job,
      row,
      version: Fenbo::JobFile::VERSION,
      unit:,
      fan: @fans[row["fan_position_id"]],
      technician: who(row, "technician"),
      closed_by: who(row, "closed_by"),
      state_by: who(row, "state_by"),
      countersigned_by: who(row, "countersigned_by"),
      beside: @rows["beside"],
      return_of: @rows["return_of"],
      **entries,
      **outcomes
    )
  end

  private

  def person(row)
    Fenbo::JobFile::Person.new(uid: row["uid"], name: row["name"], role: row["role"])
  end

  def who(row, column) = @people[row["#{column}_id"]]

  def unit
    site = part(Fenbo::JobFile::Site, @rows["site"], customer: part(Fenbo::JobFile::Customer, @rows["customer"]))
    part(Fenbo::JobFile::Unit, @rows["unit"], site:, fans: @rows["fans"].map { |row| fan(row) },
      circuits: @rows["circuits"].map { |row| circuit(row) })
  end

  def circuit(row)
    moves = row["moves"].map { |one| of_ledger(Fenbo::JobFile::RefrigerantMove, one) }
    leaks =
      row["leaks"].map do |one|
        checks = one["checks"].map { |check| of_ledger(Fenbo::JobFile::LeakCheck, check) }
        of_ledger(Fenbo::JobFile::LeakSearch, one, checks:)
      end
    part(Fenbo::JobFile::Circuit, row, moves:, leaks:)
  end

  # The ledger goes over all jobs of the unit: its visits are not this job's.
  def of_ledger(shape, row, **given)
    part(shape, row, id: row["client_id"], by: who(row, "user"), voided_by: who(row, "voided_by"), **given)
  end

  def fan(row)
    motors = @rows["motors"].select { |motor| motor["fan_position_id"] == row["id"] }
    part(
      Fenbo::JobFile::Fan,
      row,
      motors: motors.map { |motor| part(Fenbo::JobFile::Motor, motor) },
      place: place(row)
    )
  end

  def place(row)
    return reading(row["place"]) if row["place"]
    row["brought_place"] && Fenbo::JobFile::Reading.from_json(row["brought_place"])
  end

  def entries
    {
      visits: @rows["visits"].map { |row| part(Fenbo::JobFile::Visit, row, technician: who(row, "technician")) },
      findings:
        @rows["findings"].map { |row| entry(Fenbo::JobFile::Finding, row, reading: @readings[row["reading_id"]]) },
      readings: @rows["readings"].map { |row| reading(row) },
      photos:
        @rows["photos"].map do |row|
          entry(Fenbo::JobFile::Photo, row, file: stored("photos", row["client_id"], row["image_data"]))
        end,
      decisions:
        @rows["decisions"].map do |row|
          entry(Fenbo::JobFile::Decision, row, countersigned_by: who(row, "countersigned_by"))
        end
    }
  end

  def entry(shape, row, **given)
    part(
      shape,
      row,
      id: row["client_id"],
      fan: @fans[row["fan_position_id"]],
      visit: @visits[row["visit_id"]],
      by: who(row, "user"),
      voided_by: who(row, "voided_by"),
      **given
    )
  end

  def reading(row)
    kept = row["question"]["file"]
    question = kept ? row["question"].except("file") : row["question"]
    entry(Fenbo::JobFile::Reading, row, question:, file: kept && stored("recordings", row["client_id"], kept))
  end

  # A file of the store by the name it has within an export.
  def stored(folder, id, data)
    about = data["metadata"]
    extension = File.extname(data["id"])
    Fenbo::JobFile::StoredFile.new(
      name: "#{folder}/#{id}#{extension}",
      mime_type: about["mime_type"] || "audio/wav",
      bytes: about["size"],
      sha256: about["sha256"]
    )
  end

  def outcomes
    {
      part_choices: @rows["part_choices"].map { |row| part_choice(row) },
      steps:
        @rows["steps"].map do |row|
          part(Fenbo::JobFile::StepDone, row, by: who(row, "user"), fan: @fans[row["fan_position_id"]])
        end,
      stations: @rows["stations"].map { |row| part(Fenbo::JobFile::StationDone, row, by: who(row, "done_by")) },
      proof_checks:
        @rows["proof_checks"].map do |row|
          part(Fenbo::JobFile::ProofCheck, row, check: row["check_id"], by: who(row, "user"))
        end,
      quotes: @rows["quotes"].map { |row| quote(row) },
      handover:
        @rows["handover"] && part(Fenbo::JobFile::Handover, @rows["handover"], by: who(@rows["handover"], "user"))
    }
  end

  def quote(row)
    answers = row["answers"].map { |one| part(Fenbo::JobFile::QuoteAnswer, one, by: who(one, "user")) }
    part(Fenbo::JobFile::Quote, row, by: who(row, "user"), made_at: Time.iso8601("#{row["created_at"]}Z"), answers:)
  end

  def part_choice(row)
    motor, blade, spare = row.values_at("motor", "blade", "spare")
    part(
      Fenbo::JobFile::PartChoice,
      row,
      by: who(row, "user"),
      fan: @fans[row["fan_position_id"]],
      fitted_by: who(row, "fitted_by"),
      chosen_at: Time.iso8601("#{row["created_at"]}Z"),
      motor: motor && part(Fenbo::JobFile::CataloguePart, motor),
      blade: blade && part(Fenbo::JobFile::CatalogueBlade, blade),
      spare: spare && part(Fenbo::JobFile::CatalogueSpare, spare, columns: columns_of(spare)),
      fit_reading: row["fit_reading_client_id"]
    )
  end

  # What a part of its kind is told by.
  def columns_of(spare)
    kind = Fenbo::Matching::SpareKind.all[spare["kind"]] or return {}
    spare.slice(*kind.columns.keys, "sealed", "flammable_ok").compact
  end
end
