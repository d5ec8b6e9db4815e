# frozen_string_literal: true

# One press of somebody's who could not sign in any more when their phone came back: never
# dropped, and never done until somebody who may takes it in.
class LeftPress < ApplicationRecord
  # Of one person at a time, and of those with a file; beyond, the phone keeps the rest.
  MOST = 5_000
  MOST_FILES = 200

  belongs_to :user
  belongs_to :settled_by, class_name: "User", optional: true

  scope :waiting, -> { where(settled_at: nil).order(:pressed_at, :id) }

  class << self
    # Sent again, because its answer was lost, it is the first one.
    # @param press [Pocket::Batch::Press]
    # @param files [Hash{String => IO}] field => file
    def leave(user, press, files, now: Time.now)
      kept = files.transform_values { |io| Digest::SHA256.file(io.path).hexdigest }
      digest = Digest::SHA256.hexdigest(JSON.generate([user.id, press.id, press.path, press.body, kept]))
      return if exists?(digest:)
      transaction(requires_new: true) do
        create!(user:, client_id: press.id, digest:, pressed_at: now - press.held_seconds, path: press.path,
          body: press.body, seen: press.seen, files: files.transform_values { |io| store(io) })
      end
    rescue ActiveRecord::RecordNotUnique
      nil
    end

    # Whether it would be too many of one person's.
    def full?(user, file:)
      theirs = waiting.where(user:)
      theirs.count >= MOST || (file && theirs.where.not(files: {}).count >= MOST_FILES)
    end

    # Whose phone it is, said by a ticket that was packed with their jobs.
    # @return [User, nil] active or not
    def owner(ticket)
      uid = verifier.verified(ticket.to_s) and User.find_by(uid:)
    end

    # @return [String] as long as a phone may be without signal, and some
    def ticket(user) = verifier.generate(user.uid, expires_in: 60.days)

    private

    def store(io)
      SoundUploader.upload(io, :store).data.merge("extension" => File.extname(io.path))
    end

    def verifier
      @verifier ||= ActiveSupport::MessageVerifier.new(
        ActiveSupport::KeyGenerator.new(ENV.fetch("FENBO_SECRET")).generate_key("pocket tickets", 32)
      )
    end
  end

  # Its files, each open as a form's are.
  # @yield [Hash{String => Hash}] field => what a form has of it
  def with_files
    opened = files.to_h { |field, data|
      file = Tempfile.new(["left", data["extension"].to_s], binmode: true)
      SoundUploader.uploaded_file(data.except("extension")).open { |io| IO.copy_stream(io, file) }
      file.rewind
      [field, {filename: File.basename(file.path), name: field, tempfile: file}]
    }
    yield opened
  ensure
    opened&.each_value { |one| one[:tempfile].close! }
  end

  def job_number = path[/\d+/].to_i

  # What it says, in a few words.
  def words
    fields = Rack::Utils.parse_query(body)
    known = Fenbo::Diagnosis::Test.all[fields["test"]]
    return "#{known.short.downcase}: #{outcome(known, fields["outcome"].to_s)}" if known
    fields.values_at("amps", "state", "cause", "action", "part", "caption", "summary").compact_blank
      .join(" ").tr("_", " ").presence || path.split("/").drop(3).join(" ").tr("_", " ")
  end

  private

  def outcome(test, said)
    test.outcomes.include?(said) ? test.label(said).downcase : said
  end
end
