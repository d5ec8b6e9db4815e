# frozen_string_literal: true

# One call of a customer about one unit, through its nine stations.
class Job < ApplicationRecord
  include Audited

  STATIONS = Fenbo::JobFile::STATIONS

  belongs_to :unit
  belongs_to :fan_position, optional: true
  belongs_to :technician, class_name: "User", optional: true
  belongs_to :state_by, class_name: "User", optional: true
  belongs_to :closed_by, class_name: "User", optional: true
  belongs_to :countersigned_by, class_name: "User", optional: true
  # The first job of a visit that covers several units, and an earlier verdict that
  # this one comes back to.
  belongs_to :beside, class_name: "Job", optional: true
  belongs_to :return_of, class_name: "Job", optional: true
  has_many :visits, -> { order(:starts_at) }
  has_many :findings, -> { order(:taken_at, :id) }
  has_many :readings, -> { order(:taken_at, :id) }
  has_many :decisions, -> { order(:taken_at, :id) }
  has_many :photos, -> { order(:taken_at, :id) }
  has_many :quotes, -> { order(:version) }
  has_many :refrigerant_moves
  has_many :leak_searches
  has_many :leak_checks
  has_many :station_steps
  has_many :part_choices, -> { order(:created_at) }
  has_many :part_orders, -> { order(:id) }
  has_many :work_steps, -> { order(:done_at) }
  has_many :proof_checks
  has_one :handover

  validates :complaint, presence: {message: "What does the customer say?"}, length: {maximum: 2000}

  validates :complaint_kinds,
    inclusion: {
      in: [[]],
      message: "is not known."
    },
    unless: -> { (complaint_kinds - Fenbo::Diagnosis.rules["complaint"]["kinds"].keys).empty? }

  # Whether the transaction it was read in lets nobody else write on it.
  attr_accessor :held

  ENDED = %w[closed cancelled].freeze

  scope :open, -> { where.not(status: ENDED) }
  scope :ended, -> { where(status: ENDED) }

  def to_param = number.to_s

  # Whether it takes anything more: closed, or cancelled.
  def closed? = ENDED.include?(status)

  # Whether nothing was recorded on it yet.
  def untouched?
    [findings, readings, photos, decisions, part_choices].all?(&:none?)
  end

  # What the box read after something was done to it: its clock goes on from here.
  def box_stands_at(celsius, at)
    return if box_read_at && box_read_at > at
    update!(box_c: celsius, box_read_at: at, box_log: [], earlier_c: nil, earlier_hours_ago: nil)
  end

  # Of the text handed over, 0 where none is written yet.
  def handover_version = Handover.where(job_id: id).pick(:lock_version).to_i

  # What is on its way for one choice of part.
  # @param choice [Fenbo::JobFile::PartChoice, nil]
  # @return [PartOrder, nil]
  def coming_for(choice)
    return unless choice&.offer && !choice.fitted? && !closed?
    part_orders.joins(:part_choice).where(part_choices: {uid: choice.uid}, state: PartOrder::COMING).last
  end

  # As the job file has them.
  def box_points = box_log.map { |row| [Time.iso8601(row["at"]), row["c"]] }

  def drift_from
    super&.then { |row| Fenbo::JobFile::DriftFrom.from_json(row) }
  end

  # Which stations are done, where that was asked of many jobs at once.
  attr_writer :stations_done

  # Whether a station's work is done.
  def done?(station)
    return @stations_done.include?(station) if @stations_done
    station_steps.any? { |step| step.station == station && step.state == "done" }
  end

  def decision = decisions.reject(&:voided?).last

  # Asked with every station, therefore prepared.
  BESIDE = <<~SQL.squish.freeze
    SELECT * FROM jobs WHERE uid <> $1
      AND (uid = $2 OR beside_id IN (SELECT id FROM jobs WHERE uid IN ($1, $2))) ORDER BY number
  SQL
  private_constant :BESIDE

  # The other jobs of a visit, by uid and the uid of the visit's first job.
  def self.beside(uid, first)
    give(find_by_sql(BESIDE, [uid, first], preparable: true), [:unit], from: [])
  end

  # Decided jobs of this unit that this one may come back to.
  # @param days [Numeric] after which a complaint is a new one
  def earlier_decided(days)
    unit
      .jobs
      .where(status: "closed")
      .where.not(id:)
      .where(opened_at: days.days.ago..)
      .order(opened_at: :desc)
      .select(&:decision)
  end

  # The fan in hand: the one complained of, else the unit's first.
  def position_in_hand
    unit.fan_positions.find { |one| one.id == fan_position_id } || unit.fan_positions.first
  end
end
