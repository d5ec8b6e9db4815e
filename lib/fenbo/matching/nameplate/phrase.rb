# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # One thing a plate says: the stretch of the line it was read from, the fields it
      # gives, and what it means in words.
      Phrase = Value.of(:text, :at, :gives, :means)
    end
  end
end
