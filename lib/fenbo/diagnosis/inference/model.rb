# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Every hypothesis of one kind of equipment, with the chance of each test's true
    # outcomes under it. Built once per kind and kept; what a case adds (age, recent
    # work) only changes the weights.
    #
    # Hypotheses are sets of causes, named by the places of their causes in `causes`.
    # `sets` lists those of up to two; sets of three are reached from the pairs that
    # a case leaves likely (see Posterior). Motions are indexed as in
    # knowledge/inference.yml.
    class Model
      LISTED = 2
      # Kinds of equipment kept ready; a shop meets few on one day.
      MOST_KEPT = 12

      KEPT = {} # rubocop:disable Style/MutableConstant
      LOCK = Mutex.new
      private_constant :KEPT, :LOCK

      # Two threads may build the same model at once; both are equal, either stays.
      def self.for(equipment, experience = Experience::NONE)
        key = [equipment, experience]
        LOCK.synchronize { (kept = KEPT.delete(key)) && (KEPT[key] = kept) } || keep(key, new(equipment, experience))
      end

      def self.keep(key, model)
        LOCK.synchronize do
          KEPT.shift if KEPT.size >= MOST_KEPT
          KEPT[key] = model
        end
      end
      private_class_method :keep

      attr_reader :equipment, :experience, :causes, :tests, :sets, :motions

      def initialize(equipment, experience = Experience::NONE)
        @equipment = equipment
        @experience = experience
        @causes = Cause.all.values.select { |cause| equipment.cause?(cause) }.freeze
        @tests = Test.all.values.select { |test| equipment.test?(test) }.freeze
        @motions = Diagnosis.rules["motions"]
        @place = @causes.each_with_index.to_h
        @sets =
          (0..LISTED)
            .flat_map { |size| @causes.each_index.to_a.combination(size).select { |set| possible?(set) } }
            .freeze
        @chances, @pictures, @usual, @sound, @cumulative, @kept, @named = {}, {}, {}, {}, {}, {}, {}
      end

      def place(cause) = @place[cause]

      def causes_of(set) = set.map { |c| causes[c] }

      def possible?(set)
        set.size < 2 || set.combination(2).none? { |one, other| excluded?(one, other) }
      end

      # Whether two causes never hold at once on one fan.
      def excluded?(one, other) = exclusions[one][other]

      # Odds of each cause before anything is seen, in `causes` order.
      def odds(age_band:, recent_work:)
        causes.map do |cause|
          cause.odds(equipment:, age_band:, recent_work:) * experience.rate_factor(equipment, cause)
        end
      end

      # Weight of a set; not normalised.
      def prior(set, odds)
        return healthy_odds if set.empty?
        return odds[set.first] if set.one?
        set.inject(1.0) { |product, c| product * odds[c] } * rules["second_fault"]**(set.size - 1)
      end

      def healthy_odds = rules["healthy"]["odds"]

      def unknown_odds = rules["unknown"]["odds"]

      # [chance of each motion] under a set of causes.
      def motion_of(set)
        @motion_of ||= {}
        @motion_of[set] ||= if set.empty?
          spread(rules["healthy"]["motion"])
        else
          Chances.maximum(set.map { |c| causes[c].motion(equipment.motor) })
        end
      end

      def motion_of_unknown = spread(rules["unknown"]["motion"])

      # A table of motions as an array in the model's order; `still` stands for both
      # ways of standing still.
      def spread(table) = motions.map { |name| table.fetch(name) }

      # The likelihood of a piece of evidence under each listed set, by motion. One
      # plain answer is met again and again, so it is kept.
      def likelihoods(one)
        return @chances[one.to_a.first(3)] ||= weigh(one) if one.extra.size == 1
        weigh(one)
      end

      # What a fan shows that nothing is wrong with: seldom anything out of the
      # ordinary.
      def sound(test, m)
        (@sound[test.id] ||= motions.each_index.map { |one| seldom_odd(test, usual(test, one)) })[m]
      end

      # The chance that the true outcome of a test is its kth, under any set:
      # P(max = k) = Π F(k) − Π F(k−1) over the causes that bear on the test.
      def chance(test, m, set, k)
        return sound(test, m)[k] if set.empty?
        upto, below, bears = 1.0, 1.0, false
        table = cumulative(test, m)
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
        (@kept[test.id] ||= motions.map { {} })[m][set] ||= begin
          bearing = set.select { |c| cumulative(test, m)[c] }
          if set.empty?
            sound(test, m)
          else
            bearing.empty? ? usual(test, m) : Chances.maximum(bearing.map { |c| picture(test, m, c) })
          end
        end
      end

      # The same as it would be named by somebody who errs now and then.
      def named(test, m, set)
        (@named[test.id] ||= motions.map { {} })[m][set] ||= begin
          flat = test.mistake / test.telling.sum
          clean = set ? distribution(test, m, set) : of_unknown(test, m)
          clean.each_with_index.map { |chance, k| (1 - test.mistake) * chance + flat * test.telling[k] }
        end
      end

      def of_unknown(test, m)
        (@unknown ||= {})[[test.id, m]] ||= Chances.mix(
          test.telling.map { |one| one / test.telling.sum },
          usual(test, m),
          rules["unknown"]["flat"]
        )
      end

      # What is seen when nothing bears on a test.
      def usual(test, m)
        (@usual[test.id] ||= motions.map { |motion| test.usual(motion, equipment.side, equipment.motor) })[m]
      end

      # Running sums of each cause's picture, a nought before them; nil for a cause
      # that does not bear on the test.
      def cumulative(test, m)
        (@cumulative[test.id] ||= motions.each_index.map { |one| running_sums(test, one) })[m]
      end

      # [chance of each motion] under each listed set, in their order.
      def motions_of_sets
        @motions_of_sets ||= sets.map { |set| motion_of(set) }.freeze
      end

      private

      def weigh(one)
        motions.each_index.map do |m|
          row = Array.new(sets.size, one.base)
          one.extra.each { |k, weight| add(row, weight, one.test, m, k) }
          row
        end
      end

      # The same as `chance` for every listed set at once: none, one cause, two.
      def add(row, weight, test, m, k)
        table, idle = cumulative(test, m), usual(test, m)[k]
        upto, below = table.map { |sums| sums ? sums[k + 1] : 1.0 }, table.map { |sums| sums ? sums[k] : 1.0 }
        row[0] += weight * sound(test, m)[k]
        h = 1
        while h < row.size
          a, b = sets[h]
          bears = table[a] || (b && table[b])
          row[h] += weight * if bears
                      b ? upto[a] * upto[b] - below[a] * below[b] : upto[a] - below[a]
                    else
                      idle
                    end
          h += 1
        end
      end

      def seldom_odd(test, usual)
        odd = rules["healthy"]["odd"]
        row =
          usual.each_with_index.map { |chance, k| test.ordinary.include?(test.outcomes[k]) ? chance : chance * odd }
        row.map { |one| one / row.sum }
      end

      def running_sums(test, m)
        causes.each_index.map do |c|
          picture(test, m, c)&.then { |chances| chances.inject([0.0]) { |sums, chance| sums << sums.last + chance } }
        end
      end

      def rules = Diagnosis.rules

      def exclusions
        @exclusions ||=
          Array
            .new(causes.size) { Array.new(causes.size, false) }
            .tap do |table|
              rules["impossible"].each do |ids|
                one, other = ids.map { |id| @place[Cause[id]] }
                table[one][other] = table[other][one] = true if one && other
              end
            end
      end

      def picture(test, m, c)
        @pictures.fetch([test.id, m, c]) do |key|
          shown = causes[c].shows(test.id, motions[m], equipment.motor)
          @pictures[key] = shown && learned(test, m, c, Chances.fill(shown, test.outcomes, usual(test, m)))
        end
      end

      def learned(test, m, c, chances)
        experience.blend(causes[c], test, motions[m], chances)
      end
    end
  end
end
