# frozen_string_literal: true

module Fenbo
  # Which motor can take the place of the old one, and why the others cannot.
  #   Match     the tool: every candidate checked, graded and ranked
  #   Motor     a nameplate and its measurements, as in the catalogue's columns
  #   Place     the site: supply, ambient, wet, flammable refrigerant
  #   Rotation  one canonical turning sense, whatever end it was seen from
  #   Catalog   motors from a CSV file
  #   Checks    one rule a file, all asked the same way
  module Matching
    autoload :Catalog, "fenbo/matching/catalog"
    autoload :Checks, "fenbo/matching/checks"
    autoload :Match, "fenbo/matching/match"
    autoload :Motor, "fenbo/matching/motor"
    autoload :Place, "fenbo/matching/motor"
    autoload :Rotation, "fenbo/matching/rotation"
  end
end
