# frozen_string_literal: true

# Somebody asked for what their role does not allow; the message says who may.
class NotAllowed < StandardError; end
