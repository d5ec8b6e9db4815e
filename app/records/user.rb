# frozen_string_literal: true

# Somebody who signs in. What each role may do is in records/policy.rb.
class User < ApplicationRecord
  include Audited

  ROLES = %w[technician office apprentice].freeze
  UNIT_SYSTEMS = %w[si us].freeze
  APPEARANCES = %w[day glare dark].freeze
  SHORTEST_PASSWORD = 12
  # Of zxcvbn's four: below it, somebody guesses it within hours.
  WEAKEST_PASSWORD = 2

  has_secure_password
  has_many :api_tokens

  validates :name, presence: {message: "Please give a name."}, length: {maximum: 80, message: "is too long."}
  validates :login,
    format: {
      with: /\A[a-z0-9][a-z0-9._-]{1,39}\z/,
      message: "Two to forty small letters, digits, dots or dashes."
    },
    uniqueness: {
      message: "Somebody has this sign-in name already."
    }
  validates :role, inclusion: {in: ROLES, message: "Choose a role."}
  validates :unit_system, inclusion: {in: UNIT_SYSTEMS}
  validates :appearance, inclusion: {in: APPEARANCES}
  validates :password,
    length: {
      minimum: SHORTEST_PASSWORD,
      maximum: 72,
      message: "Twelve to seventy-two characters, please."
    },
    if: -> { !password.nil? }

  validate :hard_to_guess, if: -> { !password.nil? }

  # As the job file names them.
  def to_person = Fenbo::JobFile::Person.new(uid:, name:, role:)

  scope :active, -> { where(active: true).order(:name) }

  # Asked with every page, therefore prepared.
  OF_SESSION = <<~SQL.squish.freeze
    SELECT * FROM users WHERE id = $1 AND active AND NOT EXISTS (SELECT 1 FROM ended_sessions WHERE key = $2)
  SQL
  private_constant :OF_SESSION

  # Whoever a session belongs to, unless it was signed out.
  def self.of_session(id, key)
    find_by_sql(OF_SESSION, [id, key.to_s], preparable: true).first
  end

  # Old tokens end with the password.
  after_update -> { api_tokens.live.update_all(revoked_at: Time.now) }, if: :saved_change_to_password_digest?

  scope :in_the_field, -> { active.where(role: %w[technician apprentice]) }

  def self.authenticate(login, password)
    # The digest is computed even for an unknown name, so that time tells nothing.
    user = find_by(login: login.to_s.strip.downcase, active: true)
    return user if (user || dummy).authenticate(password.to_s) && user
    user&.class&.where(id: user.id)&.update_all(["wrong_tries = wrong_tries + 1, wrong_tried_at = ?", Time.now])
    nil
  end

  # How often a wrong password was tried since the last right one, and when last; told once.
  # @return [Array(Integer, Time), nil]
  def tell_wrong_tries
    return if wrong_tries.zero?
    [wrong_tries, wrong_tried_at].tap { self.class.where(id:).update_all(wrong_tries: 0, wrong_tried_at: nil) }
  end

  # Its lists of words are read once.
  def self.guesser = @guesser ||= Zxcvbn::Tester.new

  def self.dummy
    @dummy ||= new(password_digest: BCrypt::Password.create("nobody in particular"))
  end

  def technician? = role == "technician"

  def office? = role == "office"

  def apprentice? = role == "apprentice"

  # The person's own words and the shop's make it no harder.
  def hard_to_guess
    known = [login, *name.to_s.split, *Setting.read("shop_name").split, "fenbo"].map(&:to_s)
    return if self.class.guesser.test(password.to_s[0, 72], known).score >= WEAKEST_PASSWORD
    errors.add(:password,
      "This is guessed quickly. Three or four words that have nothing to do with each other are good.")
  end
  private :hard_to_guess

  def first_name = name.split.first

  # A clamp meter's stated accuracy, as the core wants it; nil when not given.
  def meter_for_core
    meter.slice("percent", "counts", "resolution", "true_rms").presence
  end
end
