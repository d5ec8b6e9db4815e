# frozen_string_literal: true

module Stations
  module Decide
    # A decision as typed: the cause, what is done about it, and what becomes of each other cause
    # of the set that Fenbo showed. What the page showed is what is decided, also where it comes
    # in later and Fenbo has learnt more meanwhile.
    class Form < Shared::Form
      # What becomes of a cause beside the first.
      WAYS = {"along" => "Done along with it", "own" => "A part is bought for it", "left" => "Not decided yet"}.freeze
      # What stands decided and what Fenbo names now are no more.
      MOST = 6

      attr_reader :cause, :action, :reason

      # @param standing [Shared::Standing] what Fenbo believes now
      # @param own [Array<String>] causes that are faults of their own already
      def initialize(params, standing, own: [])
        super(params)
        @standing = standing
        @own = own
        @cause = choice(:cause, Fenbo::Diagnosis::Cause.all.keys + %w[healthy none_of_these],
          required: "Choose a cause.")
        @action = choice(:action, Shared::Words::ACTIONS.keys, required: "Choose what to do about it.")
        @reason = text(:reason, longest: 500)
        fault(:reason, "You see it otherwise than Fenbo: say why, in a few words.") if unexplained?
      end

      # The first cause with all that is done along with it.
      def causes = [cause, *beside("along")]

      # Those that a part is bought for: faults of their own.
      def own_faults = beside("own")

      # One is seen otherwise where it is none of those that Fenbo names together.
      def otherwise? = !leading.include?(cause)

      # The causes of a set beside the one picked, but for those that are faults of their own.
      def others(set, picked)
        set.include?(picked) ? set - [picked] - @own : []
      end

      private

      def unexplained? = cause && otherwise? && reason.nil?

      def beside(way) = others(shown, cause).select { |one| way_of(one) == way }

      def way_of(one)
        chosen = params["also"]
        way = chosen.is_a?(Hash) ? chosen[one].to_s : "along"
        WAYS.key?(way) ? way : "along"
      end

      def shown
        ids = params["set"].to_s.split(",").select { |id| Fenbo::Diagnosis::Cause.all.key?(id) }.first(MOST)
        ids.empty? ? leading : ids
      end

      # The set that the verdict leads; the verdict alone where none does.
      def leading
        set = @standing.result.sets.first.causes
        set.include?(@standing.verdict) ? set : [@standing.verdict]
      end
    end
  end
end
