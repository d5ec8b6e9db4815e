# frozen_string_literal: true

# A part that is here and not wanted any more is none that was taken back: it has to go back.
class OrdersNotUsed < ActiveRecord::Migration[7.2]
  BEFORE = %w[to_send placed by_hand sold to_cancel cancelled here].freeze

  def up = known([*BEFORE, "over"])

  def down
    execute "UPDATE part_orders SET state = 'here' WHERE state = 'over'"
    known(BEFORE)
  end

  private

  def known(states)
    remove_check_constraint :part_orders, name: "part_orders_state_known"
    add_check_constraint :part_orders, "state IN (#{states.map { |one| "'#{one}'" }.join(", ")})",
      name: "part_orders_state_known"
  end
end
