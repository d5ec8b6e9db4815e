# frozen_string_literal: true

module Shared
  # One tool of the core as something to measure with: its fields, the question made
  # of what was typed, the worked formula, and the findings its answer amounts to.
  # The same object serves the pocket bench (no job) and the Measure station (a fan
  # whose plate is known).
  class Instrument
    # kind: of quantity, nil for plain text; unit: of a plain figure, MONEY the shop's currency;
    # options: a choice instead of a figure.
    Field =
      Fenbo::Value.of(:name, :label, kind: nil, unit: nil, options: nil, hint: nil, group: nil, flag: false,
        lines: false)
    MONEY = "money"

    ALL = {
      "amps" => "Clamp",
      "phases" => "Three legs",
      "windings" => "Windings",
      "capacitor" => "Capacitor",
      "driven" => "Signal and stages",
      "product" => "Product's clock",
      "pulldown" => "Pull-down",
      "refrigerant" => "Refrigerant",
      "replace" => "Repair or replace"
    }.freeze

    # @param phase ["before", "after"] the work: afterwards the plate of the motor chosen counts
    def self.of(tool, typed, user:, job: nil, fan: nil, phase: "before")
      Instruments.const_get(tool.camelize).new(typed, user:, job:, fan:, phase:)
    end

    # Those that have something to say about a fan; of a motor that nobody knows yet, whatever
    # it may turn out to be on this supply.
    # @param fan [Fenbo::JobFile::Fan]
    # @param unit [Fenbo::JobFile::Unit]
    def self.for_fan(fan, unit)
      family, phases = fan.motor&.family, fan.motor&.phases || unit.supply_phases
      legs = (family.nil? || family == "ec") ? phases == 3 : family == "three_phase"
      others = {"phases" => legs, "windings" => %w[ec split_phase].exclude?(family),
                "capacitor" => family.nil? || family == "psc"}
      ["amps", *others.select { |_, there| there }.keys]
    end

    attr_reader :result, :faults

    # @param typed [Hash] as the form sent it
    # @param job [Fenbo::JobFile::Job, nil] and its fan, whose plate gives what is not asked then
    def initialize(typed, user:, job: nil, fan: nil, phase: "before")
      @typed = typed
      @user = user
      @job = job
      @fan = fan
      @phase = phase
      @faults = {}
    end

    def tool = self.class.name.demodulize.underscore

    def label = ALL.fetch(tool)

    def about = Fenbo::Tools.entry(tool).about

    # Whether anything was typed yet.
    def asked?
      fields.any? { |field| field.options.nil? && !@typed[field.name].to_s.strip.empty? }
    end

    # Asks the core, unless something stands against it already; false when something typed cannot be understood.
    def ask
      asked = question
      return false if faults.any?
      @question = asked
      @result = Fenbo.call(tool, asked, limits: Shop.limits)
      @result.faults.each { |fault| faults[field_of(fault.field)] ||= sentence(fault.message) } if @result.refused?
      faults.empty?
    end

    # What a field holds: as typed, else what is known beforehand.
    def value(name) = @typed[name].nil? ? known[name] : @typed[name]

    # Whether what is typed is only read on a unit made safe and proved dead.
    def dead? = Fenbo::Electrical.dead?(tool, {})

    # The reading to be kept.
    # @param id [String] made by who sends it
    def entry(id:, phase:)
      Entries::Reading.new(id:, fan: fan&.key, kind: tool, question: asked, result:, phase:, typed: kept_typed,
        meter: user.meter_for_core, findings: findings.merge(beside))
    end

    # Test => outcome that the answer amounts to; none where it cannot tell.
    def findings = {}

    # Motors it is asked about differently, by their family, where nobody knows yet which it is.
    def kinds = {}

    # [formula, the same with the figures put in], where there is one to show.
    def working = []

    # What is kept of the form beside the reading.
    def kept_typed = @typed.to_h.slice(*fields.map(&:name))

    def asked = @question

    private

    attr_reader :user, :job, :fan

    # What it amounts to beside its neighbours.
    def beside = {}

    # What is known before anything is typed, by field.
    def known = {}

    def plate
      @plate ||= (@phase == "after") ? job&.plate_after(fan) : fan&.motor
    end

    def site_volts = job&.unit&.supply_volts

    def figure(name, required: false)
      text = value(name).to_s
      return nil if text.strip.empty? && !required
      reading = Fenbo::Quantities.read(text, fields.find { |field| field.name == name }.kind, system: user.unit_system)
      faults[name] ||= reading.fault unless reading.ok?
      reading.value
    end

    # A plain number, understood with point or comma.
    def number(name)
      text = value(name).to_s.strip.delete_suffix("%").strip
      return nil if text.empty?
      number = Fenbo::Quantities.number(text)
      faults[name] ||= "“#{value(name)}” is not understood as a number from 0 up." if number.nil? || number.negative?
      number
    end

    # Where a fault of the core belongs on the form.
    def field_of(path) = path

    def sentence(message) = "This #{message.sub(/\A(is|must|needs)/, '\1')}."

    def tidy(value)
      Fenbo::Quantities.tidy(value.is_a?(Float) ? value.round(3) : value)
    end
  end
end
