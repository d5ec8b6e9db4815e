# frozen_string_literal: true

module Entries
  # The chosen part sits in its place; a motor is the fan's from now on, and what is read is
  # judged by its plate.
  Fitted = Entry.of(:fault) do
    def against(book)
      [:part, "No part is chosen for this yet."] unless book.choice(fault)
    end

    # A second press finds it fitted.
    def append(book)
      book.visit
      one = book.choice(fault)
      one.with_lock { put_in(book, one) unless one.fitted_at }
      one
    end

    private

    def put_in(book, one)
      put_motor_in(book, one) if one.motor
      one.update!(fitted_at: book.now, fitted_by: book.user)
      PartOrder.where(part_choice: one).live.each { |order| order.update!(state: "here") }
      nothing_to_come_for(book)
      # It drifts otherwise from here on.
      book.record.update!(box_log: [])
    end

    # The visit planned for the part, once nothing chosen waits any more.
    def nothing_to_come_for(book)
      return if PartChoice.exists?(job: book.record, fitted_at: nil)
      Visit.for_part(book.record).each(&:destroy!)
      book.record.visits.reset
    end

    def put_motor_in(book, one)
      position, day = FanPosition.lock.find(one.fan_position_id), book.now.to_date
      old = position.motor_now
      old&.update!(removed_on: [day, old.installed_on || day].max)
      FittedMotor.create!(fan_position: position, installed_on: day,
        warranty_until: day >> book.limits["fitting.warranty_months"],
        source: one.offer&.fetch("source", nil), **plate(one.motor), **blade(one.blade, old))
    end

    def plate(motor)
      motor.attributes.slice(*(FittedMotor.column_names & Motor.column_names - %w[id created_at updated_at]))
        .transform_keys(&:to_sym)
    end

    # The new one where one was chosen, else the old one moves across.
    def blade(chosen, old)
      if chosen
        return {blade_diameter_mm: chosen.diameter_mm, blade_bore_mm: chosen.bore_mm, blade_rotation: chosen.rotation,
                blade_count: chosen.blade_count, blade_pitch_deg: chosen.pitch_deg, blade_hub: chosen.hub,
                blade_air: chosen.air}
      end
      old ? old.attributes.slice(*FittedMotor.column_names.grep(/\Ablade_/)).transform_keys(&:to_sym) : {}
    end
  end
end
