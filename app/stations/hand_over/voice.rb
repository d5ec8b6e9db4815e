# frozen_string_literal: true

module Stations
  module HandOver
    # The words and figures a report is written in, where no page asks for it.
    class Voice
      include Shared::Figures
      include Shared::Words
      include Shared::Pictures

      # @param current_user [User] in whose units it is written
      attr_reader :current_user

      def initialize(current_user)
        @current_user = current_user
      end
    end
  end
end
