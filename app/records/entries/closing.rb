# frozen_string_literal: true

module Entries
  # The end of the work: visits end, the new motor takes the old one's place in the unit's
  # history, and the shop learns.
  class Closing
    def initialize(book)
      @book = book
      @record = book.record
    end

    # @param by [User] who closed it
    def finish(by)
      now = @book.now
      @record.visits.select { |visit| visit.ends_at.nil? && visit.starts_at <= now }
        .each { |visit| visit.update!(ends_at: now) }
      record_motor(now) if @record.part_choice&.motor && @book.job.steps.any?
      @record.update!(status: "closed", closed_by: by, closed_at: now, station: "hand_over")
      Learn.enqueue
    end

    private

    def record_motor(now)
      fan = @record.position_in_hand
      old, new = fan.motor_now, @record.part_choice.motor
      return if old&.part_no == new.part_no && old.installed_on == now.to_date
      old&.update!(removed_on: [now.to_date, old.installed_on || now.to_date].max)
      FittedMotor.create!(fan_position: fan, installed_on: now.to_date, warranty_until: now.to_date >> warranty,
        source: @record.part_choice.offer&.fetch("source", nil), **plate(new), **blade(old))
    end

    def warranty
      Fenbo::Limits.default.with(Setting.read("limits"))["fitting.warranty_months"]
    end

    def plate(motor)
      motor.attributes.slice(*(FittedMotor.column_names & Motor.column_names - %w[id created_at updated_at]))
        .transform_keys(&:to_sym)
    end

    def blade(old)
      return {} unless old
      {blade_diameter_mm: old.blade_diameter_mm, blade_bore_mm: old.blade_bore_mm, blade_rotation: old.blade_rotation}
    end
  end
end
