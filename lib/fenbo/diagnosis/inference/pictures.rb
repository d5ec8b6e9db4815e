# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What each test shows, by state: under nothing, under ice, under each cause. Where
    # several bear on one test, the outcome later in the test's order wins:
    #
    #   P(max = k) = Π F(k) − Π F(k−1)   over ice and the causes that bear on it
    #
    # Of outcomes such as two sounds, of which either may be named, none hides another; what is
    # not such gives way to them:
    #
    #   P(k) = Σ pᵢ(k) · E[1 ÷ (1 + how many of the others show one too)]
    class Pictures
      def initialize(equipment, causes, states, experience)
        @equipment = equipment
        @causes = causes
        @states = states
        @experience = experience
        @open = states.map { |state| states.index { |other| other.motion == state.motion } }
        @usual, @sound, @pictured, @cumulative, @either, @ice, @unknown, @raw = Array.new(8) { {} }
      end

      # The first state in which a test shows the same: only where ice itself is seen does an iced
      # coil show anything but an open one behind a fan that does the same.
      def alike(test, m) = ice_shown(test) ? m : @open[m]

      # What is seen when no cause bears on a test: ice, where there is some that does.
      def usual(test, m)
        (@usual[test.id] ||= by_state { |one| ice_picture(test, one) || raw(test, one) })[m]
      end

      # What a fan shows that nothing is wrong with: seldom anything out of the ordinary.
      def sound(test, m)
        (@sound[test.id] ||= by_state { |one|
          ice_picture(test, one) || seldom_odd(test, raw(test, one))
        })[m]
      end

      # Running sums of each cause's picture, a nought before them, without the outcomes of
      # which either may be named; nil for a cause that does not bear on the test.
      def cumulative(test, m)
        (@cumulative[test.id] ||= by_picture(test) { |chances| sums(split(test, chances, false)) })[m]
      end

      # Of each cause, the chances of the outcomes of which either may be named and their sum
      # behind them; nil for a cause that does not bear on the test.
      def either(test, m)
        (@either[test.id] ||= by_picture(test) { |chances|
          split(test, chances, true).then { |row| row << row.sum }
        })[m]
      end

      # The same of the ice, nil where there is none or it does not bear on the test.
      def ice(test, m)
        (@ice[test.id] ||= by_state { |one| sums(ice_picture(test, one)) })[m]
      end

      # The part of a set that bears on a test: the whole of it, one of its causes, or nothing.
      def bearing(test, m, set) = set.select { |c| cumulative(test, m)[c] }

      # The chance that the true outcome of a test is its kth, under any set.
      def chance(test, m, set, k)
        return sound(test, m)[k] if set.empty?
        return any_named(test, m, set, k) if test.either?(k)
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
          next any_named(test, m, set, k) if test.either?(k)
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

      def by_state(&) = @states.each_index.map(&)

      # What a cause shows hangs on what the fan does, not on the ice.
      def by_motion
        @open.each_with_index.inject([]) { |rows, (first, m)| rows << ((first == m) ? yield(m) : rows[first]) }
      end

      # Of each cause in each state, what the block makes of its picture; nil where it has none.
      def by_picture(test)
        @pictured[test.id] ||= by_motion { |m| @causes.each_index.map { |c| picture(test, m, c) } }
        by_motion { |m| @pictured[test.id][m].map { |chances| chances && yield(chances) } }
      end

      def split(test, chances, either)
        chances.each_with_index.map { |chance, k| (test.either?(k) == either) ? chance : 0.0 }
      end

      def any_named(test, m, set, k)
        table = either(test, m)
        rows = set.filter_map { |c| table[c] }
        rows.empty? ? usual(test, m)[k] : Chances.any(k, *rows)
      end

      def raw(test, m)
        (@raw[test.id] ||= by_motion { |one| test.usual(@states[one].motion, @equipment) })[m]
      end

      def ice_picture(test, m)
        return nil unless @states[m].iced?
        ice_shown(test)&.then { |shown| Chances.fill(shown, test.outcomes, raw(test, m)) }
      end

      def ice_shown(test) = Diagnosis.rules["ice"]["shows"][test.id]

      def picture(test, m, c)
        motion = @states[m].motion
        shown = @causes[c].shows(test, motion, @equipment) or return nil
        filled = Chances.fill(shown, test.outcomes, raw(test, m))
        filled = Chances.maximum([filled, raw(test, m)]) if coloured?(test, motion, @causes[c])
        @experience.blend(@causes[c], test, motion, filled)
      end

      # Whether what the fan does shows through what a cause shows: the box of a fan that
      # stands warms up, whatever else is wrong.
      def coloured?(test, motion, cause)
        rules = Diagnosis.rules["coloured"]
        rules["tests"].include?(test.id) && rules["motions"].include?(motion) &&
          cause.of_motion(test, motion, @equipment).nil?
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
