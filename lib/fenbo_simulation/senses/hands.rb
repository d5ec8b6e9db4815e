# frozen_string_literal: true

module FenboSimulation
  module Senses
    # What hands and a close look find once it is made safe.
    module Hands
      def spin_by_hand
        drag = @rig[:friction] + @rig[:rub] + @rig[:ice_torque]
        return "seized" if drag > 2
        return "gritty" if @rig[:roughness] > 0.42 && rand < 0.85
        (drag > 0.22) ? "stiff" : "free"
      end

      def shaft_play = (@rig[:play] > 0.35) ? "rocks" : "none"

      def hub_grip = @rig[:slip] ? "slips" : "tight"

      def connector_look = @rig[:connector_look]

      def contactor_look
        (@rig[:contactor_points] == "good" && rand < 0.06) ? "pitted_or_burnt" : @rig[:contactor_points]
      end

      def nameplate_check = @rig[:plate]

      def mount_check = @rig[:mount]
    end
  end
end
