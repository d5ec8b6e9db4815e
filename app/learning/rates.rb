# frozen_string_literal: true

module Learning
  # For the learning page: each kind of equipment with what the trade expects, what
  # the shop's own jobs make of it, and how many stand behind.
  class Rates
    Row = Fenbo::Value.of(:cause, :default, :learned, :count)
    Place = Fenbo::Value.of(:family, :side, :jobs, :rows)

    def places
      kept = Setting.read("experience")["jobs"]
      kept.map { |place, counts| place_of(*place.split, counts) }.sort_by { |one| -one.jobs }
    end

    private

    def place_of(family, side, counts)
      equipment = Fenbo::Diagnosis::Equipment.new(family:, side:)
      experience =
        Fenbo::Diagnosis::Experience.read(
          Fenbo::Input.new({"jobs" => {"#{family} #{side}" => counts}}),
          Shared::Shop.limits
        )
      causes = Fenbo::Diagnosis::Cause.all.values.select { |cause| equipment.cause?(cause) }
      odds = causes.to_h { |cause| [cause, cause.odds(equipment:, age_band: nil, recent_work: false)] }
      own = odds.to_h { |cause, one| [cause, one * experience.rate_factor(equipment, cause)] }
      rows =
        causes
          .select { |cause| counts[cause.id] }
          .map do |cause|
            Row.new(
              cause:,
              default: odds[cause] / odds.values.sum,
              learned: own[cause] / own.values.sum,
              count: counts[cause.id]
            )
          end
      Place.new(family:, side:, jobs: counts.values.sum, rows: rows.sort_by { |row| -row.count })
    end
  end
end
