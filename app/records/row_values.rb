# frozen_string_literal: true

# Makes a job file's value of a row that came as JSON.
module RowValues
  private

  # A part whose members have their columns' names, but for those given.
  def part(shape, row, **given)
    members =
      shape.types.to_h { |name, type| [name, given.key?(name) ? given[name] : type.read(moment(row[name.to_s]))] }
    shape.new(**members)
  end

  # The database's times are UTC without saying so.
  def moment(value)
    (value.is_a?(String) && value.match?(/\A\d{4}-\d\d-\d\dT[\d:.]+\z/)) ? "#{value}Z" : value
  end
end
