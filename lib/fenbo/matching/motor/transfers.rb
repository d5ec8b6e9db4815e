# frozen_string_literal: true

module Fenbo
  module Matching
    # What moves from the old motor to the new one unless the kit brings its own: the
    # forgotten slinger or washer is a classic. Judgement in knowledge/transfers.yml.
    module Transfers
      module_function

      # @return [Array<String>] in the order they come off
      def of(motor, place)
        Knowledge.table("transfers").values.select { |row| concerns?(row, motor, place) }.map { |row| row["label"] }
      end

      def concerns?(row, motor, place)
        return false if motor.kit? && row["kits"] == false
        return false if row["wet"] && !place.wet
        {"mounts" => motor.mount, "forms" => motor.shaft_form, "families" => motor.family}.all? do |key, own|
          row[key].nil? || own.nil? || row[key].include?(own)
        end
      end
    end
  end
end
