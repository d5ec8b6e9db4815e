# frozen_string_literal: true

module FenboSimulation
  # What somebody with eyes, ears, hands and meters makes of a rig: each test's
  # outcome, from its figures, through senses that blur and a share of plain
  # mistakes. Asked again they look at the same thing, and may err anew.
  class Observer
    include Senses::Fan
    include Senses::Box
    include Senses::Meters
    include Senses::Hands

    MISTAKE = 0.04
    TOLD = 0.7

    attr_reader :rig

    def initialize(rig, random, mistake: MISTAKE)
      @rig = rig
      @random = random
      @mistake = mistake
      @boxes = Boxes.new(rig)
      @seen = {}
    end

    # The same place and the same eyes when `faults` is all that is wrong.
    def with_faults(faults)
      self.class.new(@rig.with_faults(faults, @random), @random, mistake: @mistake)
    end

    # @return [String] an outcome of the test, right or mistaken
    def see(test_id)
      right = @seen[test_id] ||= public_send(test_id)
      return right if @random.rand >= @mistake
      (Fenbo::Diagnosis::Test[test_id].outcomes - [right]).sample(random: @random)
    end

    # What the caller complains of; seldom everything, never nothing.
    def complaint
      told = symptoms.select { @random.rand < TOLD }
      told.empty? ? symptoms.sample(1, random: @random) : told
    end

    # What a caller could notice: ids of complaints in inference.yml.
    def symptoms
      kinds = Fenbo::Diagnosis.rules["complaint"]["kinds"].select { |_, row| test?(row["test"]) }
      @symptoms ||=
        kinds.reject { |_, row| row["ordinary"].include?(@seen[row["test"]] ||= public_send(row["test"])) }.keys
    end

    # What a neighbour does, from across the room.
    def neighbour_motion(index)
      runs = @rig.neighbour_runs?(index) ^ (@random.rand < @mistake)
      runs ? "normal" : "stopped"
    end

    private

    def rand = @random.rand

    def test?(id) = @rig.equipment.test?(Fenbo::Diagnosis::Test[id])

    # The outcome of the first step that `value` lies under; nil above them all.
    def graded(value, steps) = steps.find { |limit, _| value < limit }&.last
  end
end
