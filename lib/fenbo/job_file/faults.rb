# frozen_string_literal: true

module Fenbo
  module JobFile
    # The faults of a job. Each has a key of its place and a number, "evaporator-2.1" or
    # "unit.1", so that one fan can have two and the unit some that are no fan's; a fan's bare
    # key means the fault in hand there. A repair that did not prove stays a fault of its own,
    # and what is decided after it is the next.
    module Faults
      # The place of what belongs to no fan: a drain, a gasket, the supply.
      UNIT = "unit"
      KEY = /\A(unit|(?:evaporator|condenser)-\d{1,2})\.(\d{1,2})\z/

      # Every fault about which something was decided or chosen: the fans' in the unit's order,
      # then the unit's.
      # @return [Array<Fault>]
      def faults = fault_keys.map { |key| fault_at(key) }

      # The fault in hand at this fan.
      # @param fan [Fan]
      def fault_of(fan) = fault_at(fan.key)

      # @param key [String, nil] a fault's, a fan's, or nil for the fan in hand
      # @return [Fault] with neither decision nor part where nothing was decided yet
      def fault_at(key)
        key = in_hand(key)
        fan = fan_of(key)
        told = decision_told(key)
        Fault.new(key:, fan:, decision: told, part_choice: part_choice(key),
          before: readings_of("amps", phase: "before", fan: fan&.key).last, after: after_of(fan, told),
          part: Diagnosis::Cause.of_part(told&.causes)&.part_by(live_findings))
      end

      # Whether a fan's amps are told with this fault: never with the unit's, and where two faults
      # of one fan share them with the last.
      # @param fault [Fault]
      def tells_amps?(fault)
        return false if fault.unit?
        later = faults.drop_while { |one| one.key != fault.key }.drop(1).reject(&:unit?)
        later.none? { |one| one.fan == fault.fan && one.after == fault.after }
      end

      # @param key [String]
      # @return [Boolean] whether it names a fan of the unit, the unit, or a fault of either
      def place?(key)
        [*unit.fans.map(&:key), UNIT].include?(key[KEY, 1] || key)
      end

      # How a fault is named shortest: by its fan where it is the one in hand there.
      # @param fault [Fault]
      def short_key(fault)
        fan = fault.fan&.key
        (fan && in_hand(fan) == fault.key) ? fan : fault.key
      end

      # The decision that stands: about this fault or fan, or the last of all.
      def decision(key = nil)
        wanted = key && in_hand(key)
        decisions.reject { |one| one.voided? || (wanted && fault_key(one) != wanted) }.last
      end

      # The part that stands chosen, for this fault or fan, or the last of all.
      def part_choice(key = nil)
        wanted = key && in_hand(key)
        part_choices.reject { |one| one.superseded_at || (wanted && fault_key(one) != wanted) }.last
      end

      # Which fault a new decision is about: the one in hand where it is decided anew, else the
      # next of its place. A cause of the unit is never a fan's.
      # @param causes [Array<String>]
      # @param besides [Boolean] another one beside the fault in hand
      def fault_to_decide(key, causes, besides: false)
        here = fault_at(key)
        place = unit_causes?(causes) ? UNIT : (here.fan&.key || UNIT)
        same = faults.find { |one| one.place_key == place && one.open? && one.decision&.causes == causes }
        return same.key if same
        return here.key if here.place_key == place && !here.disproved? && !(besides && here.decision)
        free_key(place)
      end

      # Where a job stands once something was decided or taken back: what no open fault wants a
      # part or work for is passed over; whoever is further, with a station done, stays there.
      # @return [String] one of STATIONS
      def station_decided
        return "decide" unless decision
        wanted = STATIONS.drop(STATIONS.index("decide") + 1) - passed_over
        further = wanted.include?(station) && wanted.any? { |one| done?(one) }
        further ? station : wanted.first
      end

      # Since when what is seen of this fan is seen after a repair that did not prove; nil where
      # none failed.
      # @param fan [String] its key
      def retested_at(fan)
        decisions.select { |one| one.disproved? && place(one) == fan }.map(&:voided_at).max
      end

      # What was read after a repair that did not prove speaks of that repair alone.
      def since_retest(entries, fan)
        since = retested_at(fan)
        since ? entries.select { |one| one.taken_at > since } : entries
      end

      # Whose plate readings after the work are judged by: the motor chosen for this fan, until
      # it is fitted and is the fan's own.
      # @param fan [Fan]
      def plate_after(fan)
        waiting = part_choices.reject { |one| one.superseded_at || one.fitted? || place(one) != fan.key }
        waiting.filter_map(&:motor).last || fan.motor
      end

      # The fault an entry is about; of files of before faults had a key, the first of its fan.
      def fault_key(entry) = entry.fault || "#{place(entry)}.1"

      private

      def passed_over
        open = faults.select { |fault| fault.open? && fault.decision }
        return [] unless open.any? && open.all?(&:without_part?)
        open.all?(&:watched?) ? %w[match source fit] : %w[match source]
      end

      def fault_keys
        keys = (decisions.select { |one| counts?(one) } + part_choices.reject(&:superseded_at))
          .map { |one| fault_key(one) }.uniq
        places = [*unit.fans.map(&:key), UNIT]
        keys.sort_by { |key| [places.index(key[KEY, 1]) || places.size, key[KEY, 2].to_i] }
      end

      def counts?(decision) = !decision.voided? || decision.disproved?

      # A fault's own key as it is; of a fan, the last fault there, or the one that follows a
      # repair that did not prove; where it has none, the unit's that was seen at it.
      def in_hand(key)
        return key if KEY.match?(key.to_s)
        place = (unit.fan(key) || fan_in_hand)&.key || UNIT
        last = keys_at(place).last || seen_at(place) or return "#{place}.1"
        decision_told(last)&.disproved? ? free_key(place) : last
      end

      def seen_at(place)
        keys_at(UNIT).reverse.find { |key| fan_of(key)&.key == place }
      end

      def keys_at(place) = fault_keys.select { |key| key[KEY, 1] == place }

      def free_key(place)
        "#{place}.#{keys_at(place).last.to_s[KEY, 2].to_i + 1}"
      end

      # The one that stands, else the one that was taken back because it did not prove.
      def decision_told(key)
        of_it = decisions.select { |one| fault_key(one) == key && counts?(one) }
        of_it.reject(&:voided?).last || of_it.last
      end

      # The fan it sits at, or, of the unit's, the one at which it was seen.
      def fan_of(key)
        seen = (decisions + part_choices).reverse.find { |one| fault_key(one) == key }
        unit.fan(key[KEY, 1]) || unit.fan(seen&.fan) || fan_in_hand
      end

      # What was read after the work on it, of one that did not prove what was read up to then.
      def after_of(fan, decision)
        after = readings_of("amps", phase: "after", fan: fan&.key)
        return after.reject { |one| one.taken_at > decision.voided_at }.last if decision&.disproved?
        since_retest(after, fan&.key).last
      end

      def unit_causes?(causes)
        known = causes.filter_map { |id| Diagnosis::Cause.all[id] }
        known.any? && known.all?(&:unit?)
      end
    end
  end
end
