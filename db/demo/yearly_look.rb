# frozen_string_literal: true

require_relative "amps_reading"
require_relative "senses"

module Demo
  # A half-yearly look at one unit: amps of every fan, drifting slowly; a closed job.
  class YearlyLook
    STATIONS = %w[call look measure hand_over].freeze

    # @param half [Integer] how many half-years ago
    def initialize(unit, technician, on, half)
      @unit = unit
      @technician = technician
      @at = Time.local(on.year, on.month, on.day, 9, 30)
      @half = half
    end

    def make
      @job = open_job
      @visit = come
      @unit.fan_positions.each { |position| drift(position) }
      Senses.paint(@job, @visit, @technician, @at + 1500, @half)
      Senses.listen(@job, @visit, @technician, @at + 2100, @half)
      STATIONS.each do |station|
        StationStep.create!(job: @job, station:, state: "done", done_by: @technician, done_at: @at + 3000)
      end
    end

    private

    def open_job
      Job.create!(
        unit: @unit,
        technician: @technician,
        complaint: "Half-yearly look at every fan.",
        status: "closed",
        station: "hand_over",
        opened_at: @at,
        closed_at: @at + 3600,
        closed_by: @technician,
        fan_position: @unit.fan_positions.first
      )
    end

    def come
      Visit.create!(
        job: @job,
        technician: @technician,
        starts_at: @at,
        ends_at: @at + 3600,
        purpose: "half-yearly look",
        arrival_c: @unit.setpoint_c,
        leaving_c: @unit.setpoint_c
      )
    end

    # A fan's amps over the years: a share of the plate that creeps up, faster
    # where the unit and number say so; a little scatter that is always the same.
    def drift(position)
      motor = motor_then(position) or return
      scatter = ((position.id * 7 + @half * 11) % 9 - 4) * 0.004
      amps = (motor.amps_at(@unit.supply_volts) * (0.93 + scatter + creep(position) * age(motor)) * 3).round(2)
      legs = (motor.family == "three_phase") ? [amps, (amps * 1.01).round(2), (amps * 0.99).round(2)] : [amps]
      watts = (motor.watts * (0.8 + scatter)).round if motor.family == "ec"
      AmpsReading.new(@job, @visit, position, @technician, motor:).take(legs, at: @at + position.number * 240, watts:)
    end

    def motor_then(position)
      position.fitted_motors.find { |motor| !motor.removed_on || motor.removed_on > @at.to_date }
    end

    # Half-years it has crept, of the last three years.
    def age(motor)
      [6 - @half, (@at.to_date - motor.installed_on).to_i / 182].min
    end

    def creep(position)
      [0.0, 0.004, 0.012, 0.028][(position.unit_id * 3 + position.number * 2) % 4]
    end
  end
end
