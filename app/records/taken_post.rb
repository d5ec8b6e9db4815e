# frozen_string_literal: true

# A post that was taken, and what it was answered, so that its repeat is answered the same and
# does nothing. The answer may hold a secret that is shown once, so it is kept encrypted.
class TakenPost < ApplicationRecord
  belongs_to :user

  # A phone without signal sends again after as long as this at most.
  KEPT = 30.days
  # What is longer is not kept: its repeat is told only that it was taken.
  LONGEST_ANSWER = 400_000

  def self.drop_old = where(created_at: ..KEPT.ago).delete_all

  # Holds back the same post from another connection until the transaction around it ends.
  # @param digest [String] 64 hexadecimal digits
  # @return [TakenPost, nil] where it was taken already
  def self.waited_for(digest)
    connection.execute("SELECT pg_advisory_xact_lock(#{digest[0, 15].hex})")
    uncached { find_by(digest:) }
  end

  # @param answer [Hash] status, headers, body, told
  def self.keep(digest, answer, by:)
    text = box.encrypt_and_sign(JSON.generate(answer))
    insert!({digest:, user_id: by.id, answer: (text if text.size <= LONGEST_ANSWER), created_at: Time.now})
  end

  # For whoever sent it, nobody else.
  # @return [Hash, nil]
  def answer_for(one)
    answer && user_id == one.id && JSON.parse(self.class.box.decrypt_and_verify(answer))
  end

  def self.box
    @box ||= ActiveSupport::MessageEncryptor.new(
      ActiveSupport::KeyGenerator.new(ENV.fetch("FENBO_SECRET")).generate_key("taken posts", 32)
    )
  end
end
