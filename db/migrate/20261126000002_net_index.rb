# frozen_string_literal: true

# What the search for a motor narrows by, in one index that answers it alone; and the few
# motors whose output nobody knows.
class NetIndex < ActiveRecord::Migration[7.2]
  NARROWING = %w[
    volts hertz ambient_low_c ambient_high_c flammable_ok enclosure discontinued mount bolt_circle_mm
    shaft_diameter_mm rotation rpm kit_contents integral_blade control price_cents part_no
  ].freeze

  def up
    remove_index :motors, name: "index_motors_on_phases_and_output_w"
    execute "CREATE INDEX motors_net ON motors (phases, output_w) INCLUDE (#{NARROWING.join(", ")})"
    execute "CREATE INDEX motors_of_unknown_output ON motors (id) WHERE phases IS NULL OR output_w IS NULL"
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
