# frozen_string_literal: true

# Motors whose load the index of the net cannot tell: without phases, without any figure of
# power, with amps alone, which tell it only roughly, or without amps.
class UnmeasuredMotors < ActiveRecord::Migration[7.2]
  NARROWING = %w[
    volts hertz ambient_low_c ambient_high_c flammable_ok enclosure discontinued mount bolt_circle_mm
    shaft_diameter_mm rotation rpm kit_contents integral_blade control price_cents part_no amps watts horsepower
    service_factor
  ].freeze

  def up
    execute "DROP INDEX motors_net"
    execute "CREATE INDEX motors_net ON motors (phases, output_w) INCLUDE (#{NARROWING.join(", ")})"
    execute "DROP INDEX motors_of_unknown_output"
    execute "CREATE INDEX motors_unmeasured ON motors (id) WHERE phases IS NULL OR output_w IS NULL OR " \
      "(horsepower IS NULL AND watts IS NULL) OR amps = '{}'"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
