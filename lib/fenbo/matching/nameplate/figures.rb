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
          [
            :part_no,
            %r{(?:P/N|PART(?:\s*NO\.?)?|CAT\.?\s*NO\.?|MODEL(?:\s*NO\.?)?|M/N)\s*[:#]?\s*(?<value>[A-Z0-9][A-Z0-9./-]*)}
          ],
          [
            :capacitor,
            %r{(?:CAP\.?(?:ACITOR)?\s*:?\s*)?(?<value>#{N})\s*(?:UF|MFD)\b
              (?:\s*[/,@]?\s*(?<volts>\d{3})\s*V(?:AC|DB)?\b)?}x
          ],
          [:capacitor, %r{\bCAP\.?(?:ACITOR)?\s*:?\s*(?<value>#{N})\s*/\s*(?<volts>\d{3})\b}],
          [:service_factor, /\bS\.?F\.?\s*:?\s*(?<value>[12]\.\d+|1)(?![\d.])/],
          [:locked_rotor_amps, /\bLRA\s*:?\s*(?<value>#{N})/],
          [:locked_rotor_amps, /(?<value>#{N})\s*LRA\b/],
          [:service_factor_amps, /\bSFA\s*:?\s*(?<value>#{N})/],
          [:service_factor_amps, /(?<value>#{N})\s*SFA\b/],
          [:shaft, /SHAFT\s*(?:DIA\.?\s*)?[Ø:]?\s*(?<value>#{SHARE})\s*(?<unit>MM\b|IN(?:CH)?\b|")/],
          [:shaft, /Ø?\s*(?<value>#{SHARE})\s*(?<unit>MM|IN(?:CH)?|")\s*(?:DIA\.?\s*)?SHAFT\b/],
          [:shaft, /SHAFT\s*(?<value>#{SHARE})(?<unit>)\s*X\s*(?<length>#{N})/],
          [
            :ambient,
            /(?:AMB(?:IENT)?\.?|TA)\s*:?\s*(?:(?<low>-?\d+)\s*(?:\.{2,3}|TO|…)\s*)?
              (?<value>[+-]?\d{2,3})\s*°?\s*(?<unit>[CF])\b/x
          ],
          [
            :ambient,
            /(?:(?<low>-?\d+)\s*(?:\.{2,3}|TO|…)\s*)?
              (?<value>[+-]?\d{2,3})\s*°?\s*(?<unit>[CF])\s*(?:AMB(?:IENT)?|MAX)\b/x
          ]
        ].freeze

        # Kind => [what the figure looks like, its unit behind it, its label before it].
        PAIRED = {
          rpm: [SPEEDS, %r{(?<unit>R\.P\.M\.?|(?:RPM|R/MIN|MIN-1|1/MIN|U/MIN|/\s?MIN)\b)}, /R\.?P\.?M\.?/],
          hertz: [CYCLES, /(?:HZ|CY(?:CLES?)?|CPS)\b/, /HZ/],
          horsepower: [SHARE, /H\.?P\b\.?/, /H\.?P\.?/],
          watts: [%r{#{N}(?:\s*/\s*#{N})?}, /(?<unit>KW|WATTS?|W)\b/, /(?<unit>KW)|WATTS?|W/],
          volts: [LIST, /(?:VOLTS?|VAC|VDC|V~|V)(?![A-Z0-9])/, /VOLTS?|V/],
          amps: [LIST, /(?<unit>MA|FLA|RLA|AMPS?|A)\b/, /FLA|RLA|AMPS?|A/],
          phases: [/[13]/, /(?:PHASE|PH|Ø|~)(?![A-Z])/, /PH(?:ASE)?/],
          poles: [/\d{1,2}/, /(?:POLES?|P)\b/, /POLES?/]
        }.freeze

        LAST = [
          [:insulation, /\b(?:INS(?:UL)?\.?\s*(?:CL(?:ASS)?\.?)?|CL(?:ASS)?\.?|KL\.?)\s*(?<value>[ABFH])\b/],
          [:power_factor, /\b(?:COS\s*Ø|P\.?F\.?)\s*:?\s*(?<value>[01]?\.\d+)/],
          [:protection, /\bIP\s?(?<value>\d{2})\b/],
          [
            :rotation,
            /\b(?<value>CCW|CW|COUNTER-?\s?CLOCKWISE|ANTI-?\s?CLOCKWISE|CLOCKWISE)\s*(?:FROM\s+)?(?<end>#{ENDS})?\b/
          ]
        ].freeze

        BEHIND = PAIRED.map { |kind, (figure, unit, _)| [kind, /(?<![\d.])(?<value>#{figure})\s*#{unit}/] }.freeze
        BEFORE =
          PAIRED
            .map { |kind, (figure, _, label)| [kind, /\b(?:#{label})\s*[:.]?\s*(?<value>#{figure})(?![\d.])/] }
            .freeze
        # A plate either puts units behind its figures or labels before them.
        ORDERS = [BEHIND + BEFORE, BEFORE + BEHIND].freeze
      end
    end
  end
end
