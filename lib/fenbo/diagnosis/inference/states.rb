# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What a fan and the coil behind it physically do. Everything seen or measured hangs on
    # this one state, so that a single chain of events counts once, however many tests see
    # it: the fan turns, labours, stalls under current or lies dead, and the coil is open or
    # closed by ice. A condenser does not ice up.
    State = Value.of(:motion, :iced) do
      def iced? = iced
    end

    # The states of one kind of equipment, and their chances under a set of causes.
    class States
      attr_reader :all

      def initialize(equipment, causes)
        @motions = rules["motions"]
        @moving = causes.map { |cause| cause.motion(equipment.motor, equipment.side) }
        @open = causes.map { |cause| 1 - cause.ice }
        @ices = rules["ice"]["sides"].include?(equipment.side)
        @all = (@ices ? [false, true] : [false]).flat_map { |iced|
          @motions.map { |one|
            State.new(motion: one, iced:)
          }
        }
          .freeze
      end

      # The chance of each state under a set of causes; of a sound fan under none.
      def of(set)
        return spread(rules["healthy"]["motion"], rules["ice"]["healthy"]) if set.empty?
        motion = Chances.maximum(@moving.values_at(*set))
        open = @open.values_at(*set).inject(1.0, :*)
        laid(motion, @motions.map { |one| 1 - open * (1 - rules["ice"]["beside"].fetch(one)) })
      end

      # A table of motions, and how often the coil is iced: one chance for every motion, or
      # the usual one of each.
      def spread(table, ice = nil)
        laid(@motions.map { |one| table.fetch(one) }, @motions.map { |one| ice || rules["ice"]["beside"].fetch(one) })
      end

      private

      def laid(motion, ice)
        return motion unless @ices
        motion.zip(ice).map { |chance, share| chance * (1 - share) } + motion.zip(ice).map { |chance, share|
          chance * share
        }
      end

      def rules = Diagnosis.rules
    end
  end
end
