# frozen_string_literal: true

module Fenbo
  module Matching
    module Checks
      # The blade's air follows the speed: near enough passes, a little off is
      # adapted to, beyond that it needs another blade.
      class Speed < Check
        def line
          return unknown("its speed") unless candidate.rpm && old.rpm
          off = (candidate.rpm - old.rpm).abs / old.rpm.to_f
          text = "#{candidate.rpm.to_i} rpm for #{old.rpm.to_i} rpm"
          return pass(text) if off <= limits["match.rpm_pass"] + 1e-9
          return adapt("#{text}: air and load change by the fan laws", minutes: 5) if off <= limits["match.rpm_adapt"] + 1e-9
          candidate.kit? ? adapt("#{text}: the kit brings its own blade") : fail("#{text}: the blade would not suit")
        end
      end
    end
  end
end
