# frozen_string_literal: true

module Stations
  module Call
    # The call as typed: a new job, or the clock and complaint of one that is open.
    class Form < Shared::Form
      def initialize(params, user)
        super(params, system: user.unit_system)
        @user = user
      end

      # The new job, or nil with faults.
      def save(client_id)
        unit = Unit.find_by(id: id(:unit))
        fault(:unit, "Choose the unit the customer calls about.") unless unit
        values = values()
        return nil unless clean?
        beside = job_id(:beside) && Job.find(job_id(:beside))
        Job.create!(
          unit:,
          client_id:,
          beside_id: beside && (beside.beside_id || beside.id),
          opened_at: Time.now,
          fan_position: unit.position(params[:fan].to_s),
          technician: assigned || (@user unless @user.office?),
          **clock_defaults(unit),
          **values.compact
        )
      end

      # Changes an open job; false with faults.
      def update(job)
        values = values()
        return false unless clean?
        values[:box_read_at] = nil if values[:box_c].nil?
        same = values[:box_c] && values[:box_c] == job.box_c
        values.delete(:box_read_at) if same
        # A new figure starts the clock anew.
        values[:box_log] = [] unless same
        job.update!(
          fan_position: job.unit.position(params[:fan].to_s) || job.fan_position,
          **lock,
          **values
        )
      end

      private

      def values
        box = quantity(:box, "temperature")
        {
          complaint: text(:complaint, required: "What does the customer say?"),
          access_notes: text(:access_notes),
          recent_work: flag(:recent_work),
          complaint_kinds: kinds,
          **returned,
          box_c: box,
          box_read_at: (Time.now if box),
          earlier_c: quantity(:earlier, "temperature"),
          earlier_hours_ago: hours(:earlier_ago),
          drift_end_c: quantity(:drift_end, "temperature"),
          product_limit_c: quantity(:limit, "temperature"),
          product_value_cents: cents(:product_value)
        }
      end

      def kinds
        Array(params[:complaint_kinds]).map(&:to_s) & Fenbo::Diagnosis.rules["complaint"]["kinds"].keys
      end

      # A return to an earlier job, if that is what it is.
      def returned
        return {} unless params.key?(:return_of)
        {return_of_id: job_id(:return_of)}
      end

      def job_id(name)
        (number = id(name)) && Job.find_by(number:)&.id
      end

      def hours(name)
        minutes = quantity(name, "duration")
        minutes && minutes / 60.0
      end

      def clock_defaults(unit)
        {
          product_limit_c: unit.product_limit_c,
          product_value_cents: unit.product_value_cents,
          drift_end_c: unit.drift_end_c
        }
      end

      def assigned
        User.in_the_field.find_by(id: id(:technician)) if Policy.allows?(@user, :assign)
      end
    end
  end
end
