# frozen_string_literal: true

# Presses that were taken since the phone's Ruby was begun; what was kept before is in the job.
module TakenPost
  ANSWERS = {} # rubocop:disable Style/MutableConstant

  # What a press was answered with.
  Answer = Struct.new(:kept) do
    def answer_for(_user) = kept
  end

  module_function

  def waited_for(digest) = ANSWERS[digest]

  def keep(digest, answer, by:)
    ANSWERS[digest] = Answer.new({"headers" => {}, "told" => nil}.merge(answer.stringify_keys)) if by
    true
  end
end
