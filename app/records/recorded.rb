# frozen_string_literal: true

# What findings, readings, photos and decisions have in common: made once, by
# somebody, known by the id its sender gave it, voided but never changed.
module Recorded
  def self.included(model)
    model.belongs_to :job
    model.belongs_to :visit, optional: true
    model.belongs_to :fan_position, optional: true
    model.belongs_to :user
    model.belongs_to :voided_by, class_name: "User", optional: true
    model.scope :live, -> { where(voided_at: nil) }
    model.extend(ClassMethods)
  end

  module ClassMethods
    # Those of a relation that still stand, at once.
    # @param at [Time] when somebody said so
    def void_all(user, reason, at:)
      live.update_all(voided_at: at, voided_by_id: user.id, void_reason: reason)
    end

    # Adds a record unless its client id is known. The same id with other content
    # is a new answer given from an old page: it gets an id of its own, so that
    # nothing is lost and nothing is overwritten.
    # @param taken_at [Time] when it was noted, which no repeat changes
    def record(client_id:, taken_at: Time.now, **attributes)
      known = find_by(client_id:)
      return known if known&.same_as?(attributes)
      transaction(requires_new: true) do
        create!(client_id: known ? SecureRandom.uuid : client_id, taken_at:, **attributes)
      end
    rescue ActiveRecord::RecordNotUnique
      # Two posts at once: the other one has it.
      find_by!(client_id:)
    end
  end

  def voided? = !voided_at.nil?

  # @param at [Time] when somebody said so
  def void(user, reason = nil, at: Time.now)
    update!(voided_at: at, voided_by: user, void_reason: reason) unless voided?
  end

  def same_as?(attributes)
    attributes.all? { |name, value| content(public_send(name)) == content(value) }
  end

  private

  def content(value)
    value.is_a?(ActiveRecord::Base) ? [value.class, value.id] : value.as_json
  end
end
