# frozen_string_literal: true

module Stations
  module Call
    # The call as typed: a new job, or the clock and complaint of one that is open.
    class Form < Shared::Form
      # An earlier reading of the box tells its pace from a minute to a month before, hours.
      AGO = (1 / 60.0..720.0)

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
        @job = job
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
        box = quantity(:box, "box_temperature", was: @job&.box_c)
        {
          complaint: text(:complaint, required: "What does the customer say?"),
          access_notes: text(:access_notes),
          recent_work: flag(:recent_work),
          complaint_kinds: kinds,
          **returned,
          box_c: box,
          box_read_at: (Time.now if box),
          **earlier(box),
          drift_end_c: quantity(:drift_end, "box_temperature", was: @job&.drift_end_c),
          product_limit_c: quantity(:limit, "box_temperature", was: @job&.product_limit_c),
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

      # What it read before, and how long before: one says nothing without the other.
      def earlier(box)
        celsius, minutes = quantity(:earlier, "box_temperature", was: @job&.earlier_c),
quantity(:earlier_ago, "duration")
        fault(:earlier_ago, "How long before that was read, for instance “2 h”.") if celsius && missing?(:earlier_ago)
        fault(:earlier, "What was read then.") if minutes && missing?(:earlier)
        fault(:box, "What it reads now, to hold the earlier reading against.") if celsius && !box && missing?(:box)
        hours = minutes && minutes / 60.0
        if hours && !AGO.cover?(hours)
          fault(:earlier_ago, "From #{(AGO.first * 60).round} min to #{AGO.last.round} h before.")
        end
        {earlier_c: celsius, earlier_hours_ago: hours}
      end

      def missing?(name) = typed(name).empty?

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
