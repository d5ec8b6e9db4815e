# frozen_string_literal: true

module Services
  # Somebody asked for what their role does not allow; the message says who may.
  class NotAllowed < StandardError; end
end
