# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # Every hypothesis for one kind of equipment, with the chance of each test's
    # outcomes under it. Built once per kind and kept; what a case adds (age,
    # recent work) only changes the weights.
    #
    # Hypotheses are indexed: sets[i] is a list of causes, the last index is
    # "none of these". Motions are indexed as in knowledge/inference.yml.
    class Model
      LARGEST_SET = 2

      KEPT = {} # rubocop:disable Style/MutableConstant
      private_constant :KEPT

      # Two threads may build the same model at once; both are equal, either stays.
      def self.for(equipment) = KEPT[equipment] ||= new(equipment)

      attr_reader :equipment, :causes, :tests, :sets, :motion

      def initialize(equipment)
        @equipment = equipment
        @causes = Cause.all.values.select { |cause| equipment.cause?(cause) }
        @tests = Test.all.values.select { |test| equipment.test?(test) }
        @sets = enumerate.freeze
        @motion = (sets.map { |set| motion_of(set) } << spread(rules["unknown"]["motion"])).freeze
        @chances = {}
        @groups = {}
      end

      def unknown = sets.size

      # The hypotheses in which each cause holds: cause => [h, …].
      def holding
        @holding ||= causes.to_h { |cause| [cause, sets.each_index.select { |h| sets[h].include?(cause) }] }
      end

      # For each hypothesis the causes in it that can reach other fans; alike lists
      # are one and the same object.
      def reaching
        @reaching ||= begin
          shared = {}
          sets.map { |set| set.select { |cause| cause.reaches.positive? }.then { |list| shared[list] ||= list } }
        end
      end

      def motions = rules["motions"]

      # Weight of every hypothesis before anything is seen; not normalised.
      def prior(age_band:, recent_work:)
        odds = causes.to_h { |cause| [cause, cause.odds(side: equipment.side, motor: equipment.motor, age_band:, recent_work:)] }
        healthy = rules["healthy"]["odds"]
        sets.map do |set|
          set.empty? ? healthy : set.map { |cause| odds[cause] }.inject(:*) * rules["second_fault"]**(set.size - 1)
        end << rules["unknown"]["odds"]
      end

      # chances(test)[motion][hypothesis] is a distribution over its outcomes.
      # Hypotheses that look alike share one array.
      def chances(test)
        @chances[test.id] ||= motions.each_index.map { |m| table(test, m) }
      end

      # The few different distributions of a test, and which one each hypothesis
      # has: by motion [distributions, [place of h]].
      def groups(test)
        @groups[test.id] ||= chances(test).map do |table|
          places = {}.compare_by_identity
          index = table.map { |distribution| places[distribution] ||= places.size }
          [places.keys, index]
        end
      end

      # The distribution of one test under a set of causes and a motion.
      def of_set(test, motion_index, set)
        shown = set.filter_map { |cause| picture(cause, test, motion_index) }
        clean = shown.empty? ? usual(test, motion_index) : Chances.maximum(shown)
        Chances.with_mistakes(clean, test.mistake, test.telling)
      end

      def of_unknown(test, motion_index)
        flat = test.telling.map { |one| one / test.telling.sum }
        Chances.mix(flat, usual(test, motion_index), rules["unknown"]["flat"])
      end

      def motion_of(set)
        set.empty? ? spread(rules["healthy"]["motion"]) : Chances.maximum(set.map(&:motion))
      end

      # A table of motions as an array in the model's order.
      def spread(table) = motions.map { |name| table.fetch(name) }

      private

      def rules = Diagnosis.rules

      def enumerate
        (0..LARGEST_SET).flat_map { |size| causes.combination(size).reject { |set| impossible?(set) } }
      end

      def impossible?(set)
        set.size > 1 && rules["impossible"].any? { |pair| (pair - set.map(&:id)).empty? }
      end

      def usual(test, motion_index) = test.usual(motions[motion_index], equipment.side)

      # Only the causes that bear on the test tell hypotheses apart: one
      # distribution for each combination of those, found by bit mask.
      def table(test, motion_index)
        bearing = causes.each_index.sum { |c| picture(causes[c], test, motion_index) ? 1 << c : 0 }
        shared = {}
        sets.each_index.map do |h|
          shared[masks[h] & bearing] ||= of_set(test, motion_index, sets[h])
        end << of_unknown(test, motion_index)
      end

      def masks
        @masks ||= begin
          bit = causes.each_with_index.to_h { |cause, c| [cause, 1 << c] }
          sets.map { |set| set.sum { |cause| bit[cause] } }
        end
      end

      def picture(cause, test, motion_index)
        shown = cause.shows(test.id, motions[motion_index], equipment.motor)
        shown && Chances.fill(shown, test.outcomes, usual(test, motion_index))
      end
    end
  end
end
