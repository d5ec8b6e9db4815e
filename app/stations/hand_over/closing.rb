# frozen_string_literal: true

module Stations
  module HandOver
    # Closing a job: decided and handed over; an apprentice's closing waits for a
    # technician. What is not proved may be closed, and the report says so.
    class Closing
      def initialize(job, user)
        @job = job
        @user = user
      end

      # What stands in the way, or nil.
      def fault
        return "Decide on a cause first: the report has to name one." unless @job.decision
        if @job.decision.awaits_countersign? && !@user.technician?
          return "The apprentice's decision waits for a technician's countersign."
        end
        "Have it signed first." unless @job.handover&.signed_at
      end

      def close
        return true if @job.closed?
        return false if fault
        @user.apprentice? ? @job.update!(status: "awaiting_countersign", closed_by: @user) : finish(@user)
        true
      end

      def countersign
        return unless @job.status == "awaiting_countersign"
        @job.update!(countersigned_by: @user)
        finish(@job.closed_by)
      end

      # What it taught counts no more until it is closed again.
      def reopen
        return unless @job.closed?
        Job.transaction do
          @job.update!(status: "open", closed_at: nil, closed_by: nil, countersigned_by: nil)
          Shared::Experience.recount
        end
      end

      private

      def finish(by)
        now = Time.now
        Job.transaction do
          @job
            .visits
            .select { |visit| visit.ends_at.nil? && visit.starts_at <= now }
            .each { |visit| visit.update!(ends_at: now) }
          record_motor(now) if @job.part_choice&.motor && Shared::WorkPlan.of(@job)&.done_count.to_i.positive?
          @job.update!(status: "closed", closed_by: by, closed_at: now, station: "hand_over")
          Shared::Experience.recount
        end
      end

      # The new motor takes the old one's place in the unit's history.
      def record_motor(now)
        position = @job.position_in_hand
        old, new = position.motor_now, @job.part_choice.motor
        return if old&.part_no == new.part_no && old.installed_on == now.to_date
        old&.update!(removed_on: [now.to_date, old.installed_on || now.to_date].max)
        FittedMotor.create!(
          fan_position: position,
          installed_on: now.to_date,
          warranty_until: now.to_date >> 24,
          source: Suppliers::PriceService.name_of(@job.part_choice.offer&.fetch("offer", nil)),
          **plate(new),
          **blade(old)
        )
      end

      def plate(motor)
        motor
          .attributes
          .slice(*(FittedMotor.column_names & Motor.column_names - %w[id created_at updated_at]))
          .transform_keys(&:to_sym)
      end

      def blade(old)
        if old
          {
            blade_diameter_mm: old.blade_diameter_mm,
            blade_bore_mm: old.blade_bore_mm,
            blade_rotation: old.blade_rotation
          }
        else
          {}
        end
      end
    end
  end
end
