# frozen_string_literal: true

module Shared
  # The words and figures something is written in, where no page asks for it.
  class Voice
    include Figures
    include Words
    include Pictures

    # @param current_user [User] in whose units it is written
    attr_reader :current_user

    def initialize(current_user)
      @current_user = current_user
    end
  end
end
