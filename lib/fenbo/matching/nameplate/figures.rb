# frozen_string_literal: true

module Fenbo
  module Matching
    class Nameplate < Tool
      # The figures a plate prints with their units. Each pattern is tried on what the
      # earlier ones have left; those with an unmistakable unit come first, so that the
      # 370 VAC of a capacitor is never taken for a supply.
      module Figures
        N = /\d+(?:\.\d+)?|\.\d+/
        SHARE = %r{(?:\d+\s+)?\d+\s*/\s*\d+|#{N}}
        LIST = %r{(?:#{N})(?:\s*[/-]\s*(?:#{N}))*}
        SPEEDS = %r{\d{3,5}(?:\s*[/-]\s*\d{3,5})*}
        CYCLES = %r{\d{2}(?:\s*[/-]\s*\d{2})*}
        ENDS = "LE|OSE|SE|PE|LEAD END|SHAFT END|OPPOSITE SHAFT END"

        FIRST = [
          [:part_no, %r{(?:P/N|PART(?:\s*NO\.?)?|CAT\.?\s*NO\.?|MODEL(?:\s*NO\.?)?|M/N)\s*[:#]?\s*(?<value>[A-Z0-9][A-Z0-9./-]*)}],
          [:capacitor, %r{(?:CAP\.?(?:ACITOR)?\s*:?\s*)?(?<value>#{N})\s*(?:UF|MFD)\b(?:\s*[/,@]?\s*(?<volts>\d{3})\s*V(?:AC|DB)?\b)?}],
          [:locked_rotor_amps, /\bLRA\s*:?\s*(?<value>#{N})/], [:locked_rotor_amps, /(?<value>#{N})\s*LRA\b/],
          [:service_factor_amps, /\bSFA\s*:?\s*(?<value>#{N})/], [:service_factor_amps, /(?<value>#{N})\s*SFA\b/],
          [:shaft, %r{SHAFT\s*(?:DIA\.?\s*)?[Ø:]?\s*(?<value>#{SHARE})\s*(?<unit>MM\b|IN(?:CH)?\b|")}],
          [:shaft, %r{Ø?\s*(?<value>#{SHARE})\s*(?<unit>MM|IN(?:CH)?|")\s*(?:DIA\.?\s*)?SHAFT\b}],
          [:ambient, /(?:AMB(?:IENT)?\.?|TA)\s*:?\s*(?:(?<low>-?\d+)\s*(?:\.{2,3}|TO|…)\s*)?(?<value>[+-]?\d{2,3})\s*°?\s*(?<unit>[CF])\b/],
          [:ambient, /(?:(?<low>-?\d+)\s*(?:\.{2,3}|TO|…)\s*)?(?<value>[+-]?\d{2,3})\s*°?\s*(?<unit>[CF])\s*(?:AMB(?:IENT)?|MAX)\b/]
        ].freeze

        # Kind => [what the figure looks like, its unit behind it, its label before it].
        PAIRED = {
          rpm: [SPEEDS, %r{(?<unit>RPM|R/MIN|MIN-1|1/MIN|U/MIN)\b}, /RPM/], hertz: [CYCLES, /(?:HZ|CY(?:CLES?)?|CPS)\b/, /HZ/],
          horsepower: [SHARE, /H\.?P\b\.?/, /HP/],
          watts: [N, /(?<unit>KW|WATTS?|W)\b/, /WATTS?/], volts: [LIST, /(?:VOLTS?|VAC|V~|V)(?![A-Z0-9])/, /VOLTS?|V/],
          amps: [LIST, /(?<unit>MA|FLA|RLA|AMPS?|A)\b/, /FLA|RLA|AMPS?|A/], phases: [/[13]/, /(?:PHASE|PH|Ø|~)(?![A-Z])/, /PH(?:ASE)?/], poles: [/\d{1,2}/, /(?:POLES?|P)\b/, /POLES?/]
        }.freeze

        LAST = [
          [:service_factor, /\bS\.?F\.?\s*:?\s*(?<value>[12]\.\d+|1)\b/],
          [:insulation, /\b(?:INS(?:UL)?\.?\s*)?(?:CL(?:ASS)?\.?)\s*(?<value>[ABFH])\b/],
          [:protection, /\bIP\s?(?<value>\d{2})\b/],
          [:rotation, /\b(?<value>CCW|CW|COUNTER-?\s?CLOCKWISE|ANTI-?\s?CLOCKWISE|CLOCKWISE)\s*(?:FROM\s+)?(?<end>#{ENDS})?\b/]
        ].freeze

        BEHIND = PAIRED.map { |kind, (figure, unit, _)| [kind, /(?<![\d.])(?<value>#{figure})\s*#{unit}/] }.freeze
        BEFORE = PAIRED.map { |kind, (figure, _, label)| [kind, /\b(?:#{label})\s*[:.]?\s*(?<value>#{figure})(?![\d.])/] }.freeze
        ANY_UNIT = /\b(?:VOLTS?|AMPS?|FLA|RLA|HP|RPM|HZ|WATTS?|PH(?:ASE)?)\b/

        module_function

        # A plate either puts labels before its figures or units behind them.
        def paired(line)
          first = ANY_UNIT.match(line)
          labelled = first && !first.pre_match.match?(/[\d.]\s*\z/) && first.post_match.match?(/\A\s*[:.]?\s*\.?\d/)
          labelled ? BEFORE + BEHIND : BEHIND + BEFORE
        end
      end
    end
  end
end
