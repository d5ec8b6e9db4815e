# frozen_string_literal: true

module Fenbo
  # Which motor can take the place of the old one, and why the others cannot.
  #   Match     the tool: every candidate checked, graded and ranked
  #   Motor     a nameplate and its measurements, as in the catalogue's columns
  #   Place     the site: supply, ambient, wet, flammable refrigerant
  #   Rotation  one canonical turning sense, whatever end it was seen from
  #   Judged    a candidate with its lines: grade, what to buy, do and move across
  #   Catalog   motors from a CSV file, as the tool `match` reads them
  #   Sheet     the columns of a catalogue file, cell by cell
  #   Checks    one rule a file, all asked the same way
  #   Narrowing what a check refuses by a candidate's columns alone, for a database
  #   Nameplate the tool: a plate's free line, read and doubted
  #   BladeChoice the tool: which blade goes with it
  #   SpareMatch the tool for parts that are not motors, SpareKind what each is told by
  #   Energy    the tool: what a thriftier motor saves
  #   Coherence what on a plate cannot all be true
  module Matching
    autoload :Accessory, "fenbo/matching/motor/accessory"
    autoload :Blade, "fenbo/matching/blade/blade"
    autoload :BladeChecks, "fenbo/matching/blade/blade_checks"
    autoload :BladeChoice, "fenbo/matching/blade/blade_choice"
    autoload :Catalog, "fenbo/matching/catalogue_file/catalog"
    autoload :Checks, "fenbo/matching/checks"
    autoload :Coherence, "fenbo/matching/motor/coherence"
    autoload :Effects, "fenbo/matching/motor/effects"
    autoload :Energy, "fenbo/matching/motor/energy"
    autoload :FitPlace, "fenbo/matching/fit_place"
    autoload :Judged, "fenbo/matching/judged"
    autoload :Match, "fenbo/matching/match"
    autoload :Motor, "fenbo/matching/motor/motor"
    autoload :MotorReading, "fenbo/matching/motor/motor_reading"
    autoload :Narrowing, "fenbo/matching/narrowing"
    autoload :Nameplate, "fenbo/matching/nameplate"
    autoload :CONTROLS, "fenbo/matching/motor/motor_reading"
    autoload :ENCLOSURES, "fenbo/matching/motor/motor_reading"
    autoload :Place, "fenbo/matching/motor/place"
    autoload :Reuse, "fenbo/matching/blade/reuse"
    autoload :Rotation, "fenbo/matching/motor/rotation"
    autoload :Rows, "fenbo/matching/catalogue_file/rows"
    autoload :Sheet, "fenbo/matching/catalogue_file/sheet"
    autoload :SpareChecks, "fenbo/matching/spare/spare_checks"
    autoload :SpareJudged, "fenbo/matching/spare/spare_judged"
    autoload :SpareKind, "fenbo/matching/spare/kind"
    autoload :SpareMatch, "fenbo/matching/spare/spare_match"
    autoload :Transfers, "fenbo/matching/motor/transfers"
  end
end
