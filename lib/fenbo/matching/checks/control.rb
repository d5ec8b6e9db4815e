# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # A controlled circuit needs a motor that obeys the same command.
      class Control < Check
        WORDS = {
          "none" => "fixed speed",
          "0_10v" => "0–10 V",
          "pwm" => "pulse width",
          "taps" => "speed taps",
          "program" => "programmable"
        }.freeze

        def narrowing
          wanted = old.control || "none"
          !known(:control) | !one_of(:control, wanted, "program") unless wanted == "none"
        end

        def line
          wanted, offered = old.control || "none", candidate.control || "none"
          return (wanted == "none") ? nil : pass("#{WORDS[wanted]}, as the old one") if wanted == offered
          return programmed(wanted) if offered == "program"
          return adapt("#{WORDS[offered]}: tie it to full speed", work: "control") if wanted == "none"
          fail("#{WORDS[offered]} on a #{WORDS[wanted]} circuit")
        end

        private

        # Set to the duty it passes; what it no longer listens to has to be said.
        def programmed(wanted)
          deaf = (wanted == "none") ? "" : ": it runs at that one speed and leaves the #{WORDS[wanted]} command unused"
          pass(
            "programmable: passes once it is set to the old duty#{deaf}",
            setting: "program it to the old speed#{deaf}"
          )
        end
      end
    end
  end
end
