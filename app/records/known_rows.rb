# frozen_string_literal: true

# The rows of a job file's parts: what is known here by its uid is taken as it is, what is not
# is made.
class KnownRows
  def initialize
    @rows = {}
  end

  # A row with every member of `part` that is a column of its table; what a file of an earlier
  # release does not say yet stays as the table has it.
  def row(model, part, **given)
    members = (part.class.types.keys.map(&:to_s) & model.column_names)
      .reject { |name| part[name].nil? && !model.columns_hash[name].null }
    model.create!(**members.to_h { |name| [name.to_sym, part[name]] }, **given)
  end

  # The row of a part known by its uid, made where it is not here.
  def once(model, part, **given)
    return nil unless part
    @rows[[model, part.uid]] ||= model.find_by(uid: part.uid) || row(model, part, **given)
  end

  # Somebody of another shop can be named here, but not sign in.
  def person(part)
    return nil unless part
    once(User, part, login: "from-#{part.uid.delete("-")[0, 30]}", password: SecureRandom.base64(24), active: false)
  end
end
