# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What each test shows, by state: under nothing, under ice, under each cause. Where
    # several bear on one test, the outcome later in the test's order wins:
    #
    #   P(max = k) = Π F(k) − Π F(k−1)   over ice and the causes that bear on it
    class Pictures
      def initialize(equipment, causes, states, experience)
        @equipment = equipment
        @causes = causes
        @states = states
        @experience = experience
        @usual, @sound, @cumulative, @ice, @unknown, @raw = {}, {}, {}, {}, {}, {}
      end

      # What is seen when no cause bears on a test: ice, where there is some that does.
      def usual(test, m)
        (@usual[test.id] ||= @states.each_index.map { |one| ice_picture(test, one) || raw(test, one) })[m]
      end

      # What a fan shows that nothing is wrong with: seldom anything out of the ordinary.
      def sound(test, m)
        (@sound[test.id] ||= @states.each_index.map { |one|
          ice_picture(test, one) || seldom_odd(test, raw(test, one))
        })[m]
      end

      # Running sums of each cause's picture, a nought before them; nil for a cause that
      # does not bear on the test.
      def cumulative(test, m)
        (@cumulative[test.id] ||= @states.each_index.map { |one|
          @causes.each_index.map { |c| sums(picture(test, one, c)) }
        })[m]
      end

      # The same of the ice, nil where there is none or it does not bear on the test.
      def ice(test, m)
        (@ice[test.id] ||= @states.each_index.map { |one| sums(ice_picture(test, one)) })[m]
      end

      # The chance that the true outcome of a test is its kth, under any set.
      def chance(test, m, set, k)
        return sound(test, m)[k] if set.empty?
        table, ice = cumulative(test, m), ice(test, m)
        upto, below, bears = ice ? ice[k + 1] : 1.0, ice ? ice[k] : 1.0, false
        set.each do |c|
          sums = table[c] or next
          bears = true
          upto *= sums[k + 1]
          below *= sums[k]
        end
        bears ? upto - below : usual(test, m)[k]
      end

      # The whole distribution of true outcomes under a set.
      def distribution(test, m, set)
        return sound(test, m) if set.empty?
        bearing = [ice(test, m), *cumulative(test, m).values_at(*set)].compact
        return usual(test, m) if bearing.empty?
        last = 0.0
        Array.new(test.outcomes.size) do |k|
          before, last = last, 1.0
          bearing.each { |sums| last *= sums[k + 1] }
          last - before
        end
      end

      def of_unknown(test, m)
        @unknown[[test.id, m]] ||= Chances.mix(
          test.telling.map { |one| one / test.telling.sum },
          usual(test, m),
          Diagnosis.rules["unknown"]["flat"]
        )
      end

      private

      def raw(test, m)
        (@raw[test.id] ||= @states.map { |state| test.usual(state.motion, @equipment) })[m]
      end

      def ice_picture(test, m)
        return nil unless @states[m].iced?
        Diagnosis.rules["ice"]["shows"][test.id]&.then { |shown| Chances.fill(shown, test.outcomes, raw(test, m)) }
      end

      def picture(test, m, c)
        motion = @states[m].motion
        shown = @causes[c].shows(test, motion, @equipment) or return nil
        @experience.blend(@causes[c], test, motion, Chances.fill(shown, test.outcomes, raw(test, m)))
      end

      def sums(chances)
        chances&.inject([0.0]) { |sums, chance| sums << sums.last + chance }
      end

      def seldom_odd(test, usual)
        odd = Diagnosis.rules["healthy"]["odd"]
        row =
          usual.each_with_index.map { |chance, k| test.ordinary.include?(test.outcomes[k]) ? chance : chance * odd }
        row.map { |one| one / row.sum }
      end
    end
  end
end
