# frozen_string_literal: true

# Ways to choose the next test in an Errand.
module Strategies
  # What Fenbo offers first.
  class Offered
    def enough?(diagnosis) = diagnosis.decisive?

    def next_test(diagnosis, _errand) = diagnosis.next_tests.list.first&.test
  end

  # The usual order, whatever was found: look, then live, then made safe.
  class CheckList
    ORDER = %w[
      box_temperature compartments unit_alive setting fan_motion noise airflow water_present frost_pattern
      load_blocking_air door_seal condenser_face blade_state blade_cleanliness discharge_air_difference
      sight_glass motor_heat coil_through_light control_call door_switch_held voltage_at_motor voltage_balance
      amps terminal_temperature amps_beside_neighbours forced_defrost spin_by_hand shaft_play hub_grip
      mount_check connector_look winding_ohms insulation capacitor contactor_look nameplate_check drain_check
      damper_check defrost_heater_ohms
    ].freeze

    # @param whole [Boolean] to its end, whatever was found
    def initialize(whole: false)
      @whole = whole
    end

    def enough?(diagnosis) = !@whole && diagnosis.decisive?

    def next_test(_diagnosis, errand)
      ORDER.lazy.map { |id| Fenbo::Diagnosis::Test[id] }.find { |test| errand.may?(test) }
    end
  end

  # Knows every answer beforehand and looks for the cheapest few tests after which the
  # engine is sure of a right set: a beam search over sets of tests, their minutes
  # counted from looking to live to made safe.
  class Clairvoyant
    BEAM = 4
    DEPTH = 5

    # @return [Integer, nil] minutes; nil where no such few tests were found
    def minutes(errand)
      start = errand.start
      @decisive = Fenbo::Limits.default["diagnosis.decisive"]
      @posterior, @faults, @offer = start.posterior, errand.faults, errand.offer
      @right = @posterior.sets.each_index.select { |h| right?(@posterior.sets[h]) }
      rows = answers(errand).to_h { |test, one| [test, @posterior.likelihood(one)] }
      search([[[], @posterior.weights]], rows)
    end

    private

    def right?(set)
      set.empty? ? @faults.empty? : (@posterior.model.causes_of(set).map(&:id) - @faults).empty?
    end

    def answers(errand)
      tests = @posterior.model.tests.select { |test| errand.offer.why_not_again(test).nil? }
      tests.filter_map do |test|
        finding = Fenbo::Diagnosis::Finding.new(test_id: test.id, outcome: errand.observer.see(test.id), position: nil)
        [test, Fenbo::Diagnosis::Evidence.of([finding])] if finding.telling?
      end
    end

    def search(beam, rows)
      return 0 if sure?(beam.first.last)
      best = nil
      DEPTH.times do
        grown =
          beam.flat_map do |tests, weights|
            rows.except(*tests).map { |test, row| [tests + [test], times(weights, row)] }
          end
        found = grown.select { |_, weights| sure?(weights) }.map { |tests, _| cost(tests) }.min
        best = [best, found].compact.min
        beam = grown.max_by(BEAM) { |tests, weights| chance(weights) - 0.004 * cost(tests) }
        return best if best
      end
      best
    end

    def times(weights, row)
      weights.each_index.map { |m| weights[m].each_with_index.map { |weight, h| weight * row[m][h] } }
    end

    def chance(weights)
      @right.map { |h| weights.sum { |row| row[h] } }.max.to_f / weights.sum(&:sum)
    end

    def sure?(weights) = chance(weights) >= @decisive

    def cost(tests)
      state, minutes = "L", 0
      tests
        .sort_by { |test| %w[L C P D].index(test.states.first) }
        .each do |test|
          minutes += @offer.minutes(test, state)
          state = @offer.state(test, state)
        end
      minutes
    end
  end
end
