# frozen_string_literal: true

# Units whose refrigerant is known to be flammable, though nobody ticked it.
class KnownRefrigerants < ActiveRecord::Migration[7.2]
  def up
    select_rows("SELECT DISTINCT refrigerant FROM units WHERE refrigerant IS NOT NULL").flatten.each do |name|
      group = Fenbo::Refrigerant::Group.of(name) or next
      execute "UPDATE units SET flammable = #{group.flammable?} WHERE refrigerant = #{quote(name)}"
    end
  end

  def down
    raise ActiveRecord::IrreversibleMigration
  end
end
