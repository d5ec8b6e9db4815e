# frozen_string_literal: true

module Fenbo
  module JobFile
    # Why a decision is taken back whose repair failed its proof.
    NOT_PROVED = "not proved"

    # The cause somebody stands for: the core's, or their own with a reason. `fault` is the key
    # of the fault it is about (Faults), nil in files of before faults had one.
    Decision = Entry.of(
      causes: [String], probability: Shape.maybe(Float), proposed: String, override_reason: Shape.maybe(String),
      action: String, standing: Hash, fault: Shape.maybe(String),
      countersigned_by: Shape.maybe(Person), countersigned_at: Shape.maybe(Time)
    ) do
      # Taken back because the repair did not prove.
      def disproved? = voided? && void_reason == NOT_PROVED

      def overridden? = !override_reason.nil?

      def awaits_countersign? = by.apprentice? && countersigned_at.nil?

      def label = self.class.label_of(causes, action)

      # Nothing is wrong with what is exchanged.
      def sound? = self.class.sound?(causes, action)

      define_singleton_method(:sound?) { |causes, action| causes == [Diagnosis::HEALTHY] && action == "replace" }

      # What is sound is called that.
      define_singleton_method(:label_of) do |causes, action|
        sound?(causes, action) ? "Sound, changed on the same visit" : Diagnosis.together(causes)
      end
    end
  end
end
