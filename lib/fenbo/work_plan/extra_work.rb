# frozen_string_literal: true

module Fenbo
  module WorkPlan
    # What an adaptation or a kit adds to a plan. Given as ids of extra_work.yml, whose
    # minutes are the shop's limits `adapt.ID`, or as {id, text, minutes} where a kit's sheet
    # says more.
    module ExtraWork
      # Longer than any sentence on a kit's sheet.
      LONGEST = 300

      module_function

      def known = Knowledge.table("extra_work")

      # @return [Array<Step>] the same work twice is two steps with ids of their own
      def read(input, limits)
        items = input.raw("extra_work") || []
        return input.fault("extra_work", "must be a list") || [] unless items.is_a?(Array)
        used = Hash.new(0)
        items.each_with_index.filter_map do |item, index|
          id, said = item.is_a?(Hash) ? described(input.nested(item, "extra_work.#{index}")) : [item, {}]
          next input.fault("extra_work.#{index}", "is none of #{known.keys.join(", ")}") unless known.key?(id)
          step(id, used[id] += 1, said, limits)
        end
      end

      # A kit's own words and minutes.
      def described(item)
        [item.choice("id", known.keys, required: false) || "kit",
          {"text" => sentence(item.text("text", required: false, longest: LONGEST)),
           "minutes" => item.integer("minutes", required: false, at_least: 0)}.compact]
      end

      # A sheet's words as a step's sentence.
      def sentence(text)
        text && "#{text[0].upcase}#{text[1..].delete_suffix(".")}."
      end

      def step(id, turn, said, limits)
        row = known.fetch(id)
        own = (turn > 1) ? "extra_#{id}_#{turn}" : "extra_#{id}"
        Step.from({"minutes" => limits["adapt.#{id}"].ceil, **row, **said, "id" => own}, row["phase"])
      end
    end
  end
end
