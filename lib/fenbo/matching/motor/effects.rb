# frozen_string_literal: true

module Fenbo
  module Matching
    # What a change of motor does: shaft output beside the old one's, and with the same
    # blade at another speed the air and the load by the fan laws.
    module Effects
      module_function

      # @return [Hash] old_output_w, output_w, air_ratio, power_ratio, old_watts, watts; nil
      #   where a plate does not tell
      def of(old, motor, limits)
        speed = (old.rpm && motor.rpm && !motor.kit?) ? motor.rpm / old.rpm.to_f : nil
        {
          old_output_w: old.output_watts(limits)&.round(1),
          output_w: motor.output_watts(limits)&.round(1),
          air_ratio: speed&.round(3),
          power_ratio: speed && (speed**3).round(3),
          old_watts: old.input_watts(limits)&.round(1),
          watts: motor.input_watts(limits)&.round(1)
        }
      end
    end
  end
end
