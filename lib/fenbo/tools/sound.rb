# frozen_string_literal: true

module Fenbo
  module Tools
    # What its answer holds.
    module SoundAnswer
      Figures = Shape.of(
        seconds: Float, sample_rate: Integer, level_dbfs: Shape.maybe(Float), shaft_hz: Shape.maybe(Float),
        blade_pass_hz: Shape.maybe(Float), rpm_estimate: Shape.maybe(Float), rpm_confidence: Shape.maybe(Float),
        band_kurtosis: Shape.maybe(Float), crest: Shape.maybe(Float), hum_share: Shape.maybe(Float),
        shaft_line_share: Shape.maybe(Float)
      )
    end

    define "sound", about: "What does a recording of one fan show?",
      tool: -> { Sound::Recording },
      answer: Answer.of(
        kinds: [Weight],
        figures: SoundAnswer::Figures
      )
  end
end
