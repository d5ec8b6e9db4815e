# frozen_string_literal: true

module Pocket
  # Whether somebody else decided, chose, switched, wrote or closed between what the phone saw when it
  # was pressed and today. First come stands; whoever comes second is shown it and asked.
  # Findings, readings, photos and steps only add, and never stand against each other.
  class FirstCome
    PATH = %r{\A/jobs/\d+/(?<what>decide|match|state|hand_over|close)(?:/withdraw|/agreed)?\z}
    private_constant :PATH

    # @param press [Batch::Press]
    # @param user [User] who brings it
    def initialize(press, user)
      @press = press
      @user = user
    end

    # @return [String, nil] what stands there, in a sentence
    def sentence
      return if @press.anyway || @press.seen.nil? || !(match = PATH.match(@press.path))
      @job = JobSource.numbered(@press.job)
      send(match[:what])
    rescue ActiveRecord::RecordNotFound
      nil
    end

    private

    attr_reader :job

    def seen = @press.seen

    def typed = @typed ||= Rack::Utils.parse_query(@press.body)

    def other?(person) = person && person.uid != @user.uid

    def decide
      return if typed["besides"] == "1"
      there = job.decision(job.fault_at(typed["fan"].to_s).key)
      return if there.nil? || !other?(there.by) || Array(seen["decisions"]).include?(there.id)
      "#{there.by.name} decided meanwhile: #{Fenbo::Diagnosis.low(there.label)}, " \
        "#{Shared::Words::ACTIONS[there.action].downcase}, #{at(there.taken_at)}."
    end

    def match
      there = job.fault_at(typed["fan"].to_s).part_choice
      return if there&.thing.nil? || !other?(there.by) || there.thing.part_no == typed["part"]
      return if Array(seen["choices"]).include?(there.uid)
      "#{there.by.name} chose #{there.thing.part_no} meanwhile, #{at(there.chosen_at)}."
    end

    def state
      return if !other?(job.state_by) || [seen["state"], typed["state"]].include?(job.state)
      "#{job.state_by.name} set it meanwhile: #{Shared::Words::STATES[job.state].downcase}, #{at(job.state_at)}."
    end

    def hand_over
      text = job.handover
      return if text.nil? || !other?(text.by) || seen["handover"] == self.class.words(text)
      "#{text.by.name} wrote it meanwhile: “#{text.summary.to_s[0, 200]}”#{", signed" if text.signed?}."
    end

    def close
      return unless job.closed? && other?(job.closed_by)
      "#{job.closed_by.name} closed it meanwhile, #{at(job.closed_at)}."
    end

    def at(time) = Shared::Shop.local(time).strftime("%-d %b %H:%M")

    class << self
      # What a phone saw of a job, to be sent with a press.
      # @param job [Fenbo::JobFile::Job]
      def seen(job)
        {decisions: job.decisions.map(&:id), choices: job.part_choices.map(&:uid), state: job.state,
         handover: job.handover && words(job.handover)}
      end

      def words(handover)
        Digest::SHA256.hexdigest(JSON.generate(Entries::Signing::WORDS.map { |name| handover[name].as_json }))
      end
    end
  end
end
