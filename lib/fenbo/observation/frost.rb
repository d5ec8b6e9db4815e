# frozen_string_literal: true

module Fenbo
  # Where the frost lies on a coil's face, and what that argues for.
  #   Reading     the tool
  #   Reasons     why, in words
  #   Grid        the painted cells and their features
  #   Signatures  how far each known picture fits, softly, as weights that sum to one
  module Frost
    autoload :Grid, "fenbo/observation/frost/grid"
    autoload :OfFan, "fenbo/observation/frost/of_fan"
    autoload :Reading, "fenbo/observation/frost/reading"
    autoload :Reasons, "fenbo/observation/frost/reasons"
    autoload :Signatures, "fenbo/observation/frost/signatures"

    LEVELS = (0..4)
    # What each level looks like.
    WORDS = ["bare", "thin even white frost", "thick frost, gaps open", "fin gaps closed", "solid ice"].freeze
  end
end
