# frozen_string_literal: true

module Stations
  module Match
    # Candidates for the motor in hand: the database narrows the catalogue, the core judges
    # every one that is left, by its place and plate.
    class PartSearch
      # How soon a source can have it here, in hours of a working day.
      SOON = {"van" => 0, "counter" => 4}.freeze
      A_DAY = 24

      # Hours until an offer is here, and what it costs with its freight.
      def self.hours(offer)
        SOON.fetch(offer["kind"]) { offer.fetch("lead_days", 1) * A_DAY }
      end

      def self.landed(offer)
        offer["price_cents"] + offer.fetch("freight_cents", 0)
      end

      attr_reader :job, :position, :fault

      # @param also [Array<String>] part numbers judged whatever the net holds
      # @param fault [Fenbo::JobFile::Fault] what it is for; nil: the fault in hand at this fan
      def initialize(job, position, also: [], fault: nil)
        @job = job
        @position = position
        @also = also
        @fault = fault || job.fault_of(position)
      end

      # What stands chosen already.
      def choice = fault.part_choice

      def old = position.motor

      def result
        @result ||= Shared::Answered.of(:match, question)
      end

      def candidates = result.refused? ? [] : result.candidates

      # Nearest misses first; those a list names before the others.
      def rejected(most = 6)
        return [] if result.refused?
        named = listed_numbers
        result.rejected.partition { |one| named.include?(one.part_no) }.flatten(1).first(most)
      end

      # One part as it was judged; without a grade where it was rejected.
      Rejected = Fenbo::Value.of(:part_no, :checks, grade: nil, extra_minutes: nil, effects: nil)

      # @return [Answer's candidate, Rejected, nil]
      def judged(part_no)
        candidates.find { |one| one.part_no == part_no } ||
          rejection_of(part_no)
      end

      def rejection_of(part_no)
        return if result.refused?
        row = result.rejected.find { |one| one.part_no == part_no }
        Rejected.new(part_no:, checks: row.checks) if row
      end

      # Who has it, by name, as asked for the ranking.
      def sources(part_no)
        result && (@sources || {}).fetch(part_no, []).map { |id| Suppliers::Desk.name_of(id) }.uniq
      end

      # The best few with all that their checks need, to be judged again where the catalogue is not.
      # @return [Hash, nil] a question of the tool `match`
      def best_alone(most = 12)
        return if old.nil? || candidates.empty?
        best = candidates.first(most).map(&:part_no)
        question.merge("motors" => question["motors"].select { |row| best.include?(row["part_no"]) })
      end

      # What the catalogue asks for it, in cents.
      def price_cents(part_no) = row_of(part_no)&.fetch("price_cents")

      # @return [Fenbo::JobFile::CataloguePart, nil] nil where the catalogue has no such motor
      def motor(part_no)
        return if part_no.nil?
        (@motors ||= {})[part_no] ||=
          (row = row_of(part_no) || Motor.where(part_no:).core_rows.first) &&
          Fenbo::JobFile::CataloguePart.from_json(row)
      end

      def fit_reading = position.place

      # Why the catalogue's row is what it is about the original: no longer made, by whom replaced.
      def original
        @original ||= old&.part_no.present? ? Motor.find_by(part_no: old.part_no) : nil
      end

      # Of its plate's load, what the old motor really carried while it was well.
      def load_share
        plate = old&.amps_at(job.unit.supply_volts)
        (healthy_amps && plate) ? healthy_amps / plate : 1.0
      end

      def question
        @question ||= place_and_plate.merge("motors" => motors_to_be_had)
      end

      private

      def motors_to_be_had
        @offers = Suppliers::Desk.offers_of(rows.map { |row|
          Offered.new(row.values_at("part_no", "maker", "price_cents"))
        })
        rows.map { |row| question_row(row) }
      end

      # What is asked about every motor alike.
      def place_and_plate
        @place_and_plate ||= PlaceAndPlate.new(job, position, superseded_by: original&.superseded_by).to_h
      end

      def rows = @rows ||= read_rows

      def row_of(part_no)
        @by_number ||= rows.to_h { |row| [row["part_no"], row] }
        @by_number[part_no]
      end

      def read_rows
        return [] unless old
        near = Shared::CatalogueMotors.rows(place_and_plate)
        missing = @also - near.map { |row| row["part_no"] }
        return near if missing.empty?
        near + Motor.where(part_no: missing).core_rows
      end

      def listed_numbers
        naming = rows.select { |row| row["cross_reference"]&.include?(old.part_no) }
        [original&.superseded_by, *naming.map { |row| row["part_no"] }, old.part_no].compact
      end

      def healthy_amps = position.healthy_amps

      # With how soon and at what price it could be here.
      def question_row(row)
        row.except("maker").compact.merge("rotation_view" => "shaft_end", **supply(row))
      end

      def supply(row)
        offers = @offers.fetch(row["part_no"]).reject { |offer| offer["in_stock"] == false }
        (@sources ||= {})[row["part_no"]] = offers.map { |offer| offer["id"] }
        best = offers.min_by { |offer| [hours(offer), landed(offer)] } or return {"obtainable" => false}
        {"available_hours" => hours(best), "landed_cents" => landed(best)}
      end

      # A row of the catalogue as the price service asks for it.
      class Offered
        attr_reader :part_no, :maker, :price_cents

        def initialize(values)
          @part_no, @maker, @price_cents = values
        end
      end

      def hours(offer) = self.class.hours(offer)

      def landed(offer) = self.class.landed(offer)
    end
  end
end
