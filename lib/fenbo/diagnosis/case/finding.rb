# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # One thing seen or measured. `position` is nil for the unit as a whole.
    # weights, outcome => share, where an instrument was not sure of one outcome. `earlier`: on
    # another visit, so that whatever was opened for it is closed again. `just`: answered last, a moment
    # ago.
    Finding =
      Value.of(:test_id, :outcome, :position, weights: nil, earlier: false, just: false) do
        def test = Test[test_id]

        def label = test.label(outcome)

        def telling? = !test.tells_nothing?(outcome)
      end
  end
end
