# frozen_string_literal: true

# What has to go back is given back some day, or stays on a van.
class OrdersGivenBack < ActiveRecord::Migration[7.2]
  BEFORE = %w[to_send placed by_hand sold to_cancel cancelled here over].freeze

  def up = known([*BEFORE, "returned", "kept"])

  def down
    execute "UPDATE part_orders SET state = 'over' WHERE state IN ('returned', 'kept')"
    known(BEFORE)
  end

  private

  def known(states)
    remove_check_constraint :part_orders, name: "part_orders_state_known"
    add_check_constraint :part_orders, "state IN (#{states.map { |one| "'#{one}'" }.join(", ")})",
      name: "part_orders_state_known"
  end
end
