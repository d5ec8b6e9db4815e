# frozen_string_literal: true

module Stations
  module Source
    # The options of a quote: good restores cooling, better adds cleaning and the neighbours that
    # had better be changed now, best the rest of the bank and motors that take less. Each line with why, from what was
    # found; the sums by the tool `quote`. An option that adds nothing is left out.
    class QuoteBuilder
      Line = Fenbo::Value.of(:what, :kind, :cents, :place, :evidence)
      # What is paid by the hour at the unit.
      HOURS = %w[labour overtime].freeze
      TRIP = Fenbo::Sourcing::Option::SECOND_TRIP
      NEIGHBOUR, UPGRADE = Fenbo::Decision::Agreed::NEIGHBOUR, Fenbo::Decision::Agreed::UPGRADE
      KINDS = {"labour" => "labour", "overtime" => "labour", "travel" => "labour", "stopgap" => "labour",
               TRIP => "labour"}.freeze
      # What is told of one fault at most.
      MOST_EVIDENCE = 3

      # @param asked [Hash{String => Hash}] by a fault's key the option that is asked about
      # @param words what says readings and parts in words: a page
      def initialize(job, words:, clock:, discount_percent: 0, asked: {})
        @job = job
        @words = words
        @clock = clock
        @discount = discount_percent
        @asked = asked
      end

      # @return [Array<Hash>] as a quote keeps them; none where nothing costs anything yet
      def options
        return [] if tiers.empty?
        answer = Fenbo.call(:quote, question)
        answer.options.map { |figures| figures.as_json.merge("lines" => tiers[figures.id].map(&:as_json)) }
      end

      def verdict = (tiers.empty? ? nil : Fenbo.call(:quote, question))

      private

      # Option => its lines, those that add nothing left out.
      def tiers
        @tiers ||= {"good" => good, "better" => good + better, "best" => good + better + best}
          .reject { |_, lines| lines.empty? }.to_a.uniq { |_, lines| lines }.to_h
      end

      def question
        {
          "options" => tiers.map { |id, lines|
            {"id" => id, "discount_percent" => @discount,
             "lines" => lines.map { |line| {"what" => line.what, "cents" => line.cents} }}
          },
          "tax_percent" => Setting.read("tax_percent"), "rounding_cents" => Setting.read("rounding_cents"),
          "deposit_percent" => Setting.read("deposit_percent"),
          "limit_cents" => @job.unit.site.customer.approval_limit_cents
        }.compact
      end

      def faults = @job.faults.select(&:worked_on?)

      # What restores cooling; what is done once for all of it is paid once.
      def good
        @good ||= good_faults.flat_map { |fault| ways.key?(fault.key) ? way_lines(fault) : [labour_of(fault)] }
      end

      def better
        @better ||= cleaned.map { |fault| labour_of(fault) } +
          neighbours.select { |row| row.answer.verdict == "now" }.map { |row| neighbour_line(row) }
      end

      def best
        @best ||= neighbours.select { |row| row.answer.verdict != "now" }.map { |row| neighbour_line(row) } +
          good_faults.filter_map { |fault| upgrade_line(fault) }
      end

      # A motor that takes less instead of the one chosen: what it costs more, and when that is paid.
      def upgrade_line(fault)
        row = fault.part_choice&.beside.to_h["upgrade"] or return
        Line.new(what: "motor #{row["part_no"]} #{UPGRADE}", kind: "parts", cents: row["extra_cents"],
          place: fault.place, evidence: @words.upgrade_words(row))
      end

      def good_faults = faults - cleaned

      def cleaned
        @cleaned ||= faults.select { |fault| fault.decision.action == "clean" }
      end

      # The offer asked about, else the one taken or recommended, of each fault whose part is known.
      # @return [Hash{String => Fenbo::Sourcing::PaidOnce::Way}] by the fault's key
      def ways
        @ways ||= good_faults.to_h { |fault|
          [fault.key, @asked[fault.key] || fault.part_choice&.offer || recommended(fault)]
        }
          .compact.transform_values { |offer| Fenbo::Sourcing::PaidOnce::Way.of(offer) }
      end

      def way_lines(fault)
        paid[fault.key].map { |line|
          line_of(fault, line["what"], (line["cents"] * share_of(fault, line["what"])).round, ways[fault.key].stopgap)
        }
      end

      def paid
        @paid ||= ways.keys.zip(Fenbo::Sourcing::PaidOnce.new(ways.values).lines).to_h
      end

      # Of its hours, what is left where the unit is open already for another fault of the same fan.
      def share_of(fault, what)
        HOURS.include?(what) ? openings.share(fault) : 1
      end

      def openings = @openings ||= QuotedHours.new(@job, good_faults + cleaned)

      def recommended(fault)
        return unless fault.part_choice&.thing
        PartSources.new(@job, fault, clock: @clock).options.first&.as_json
      end

      def line_of(fault, what, cents, stopgap)
        Line.new(what: named(what, fault.part_choice, stopgap), kind: KINDS.fetch(what, "parts"), cents:,
          place: fault.place, evidence: (what == "parts") ? evidence(fault) : nil)
      end

      # What is sold, and what is done to bridge the time, has a name; the rest is called as it is.
      def named(what, choice, stopgap)
        case what
        when "parts" then "#{@words.thing_words(choice)} #{choice.thing.part_no}"
        when "besides" then Besides.new(choice).lines.map(&:what).join(", ").presence || what
        when "stopgap" then Fenbo::Diagnosis.low(Fenbo::Product::Stopgaps.table.dig(stopgap, "label") || what)
        else what
        end
      end

      def labour_of(fault)
        what, minutes = work_of(fault)
        Line.new(what:, kind: "labour", cents: (Setting.read("rate_per_hour_cents") * minutes / 60.0).round,
          place: fault.place, evidence: evidence(fault))
      end

      # What is done in how many minutes: along its plan, or, where nothing is exchanged, as its remedy says.
      def work_of(fault)
        by_hand = fault.by_hand
        return [Fenbo::Diagnosis.low(by_hand.remedy), by_hand.minutes] if by_hand
        what = Shared::Words.tasks(openings.tasks(fault))
        # Nobody is to take the work for all that it costs.
        what += ", the work alone: its part is not chosen yet" if unchosen?(fault)
        [what, openings.minutes(fault)]
      end

      def unchosen?(fault)
        fault.decision.action == "replace" && fault.part_choice.nil?
      end

      def plan(fault)
        (@plans ||= {})[fault.key] ||= Fenbo::WorkPlan::Progress.of(@job, fault: fault.key,
          limits: Shared::Shop.limits)
      end

      # Why it is asked for: the cause, the reading against its limit, and what was seen there.
      def evidence(fault)
        read = fault.before unless fault.before&.verdict == "cannot_tell"
        told = [fault.decision&.label, read && @words.measured_words(read), *seen(fault)]
        told.compact.join("; ")
      end

      # But for the reading that is told with its limit.
      def seen(fault)
        about = @job.live_findings.select { |one|
          one.about?(fault.fan.key) && (one.reading.nil? || one.reading != fault.before&.id)
        }
        told = spoken(fault).filter_map { |entry|
          about.reverse.find { |one| one.test == entry.test && one.outcome == entry.outcome }
        }
        told = about.select { |one| one.fan == fault.fan.key } if told.empty?
        told.uniq(&:test).first(MOST_EVIDENCE).map { |one| "#{one.test_short.downcase}: #{one.label.downcase}" }
      end

      # What speaks for the cause by itself, loudest first.
      def spoken(fault)
        cause = fault.decision&.causes&.first
        standing = (@standings ||= {})[fault.fan.key] ||= Shared::Standing.new(@job, fault.fan)
        standing.ledger(cause).select { |entry| entry.factor > 1 && entry.strength != "hardly for" }
      end

      # The other motors of each bank that is worked on, once each.
      def neighbours
        @neighbours ||= faults.select { |fault| fault.part_choice&.motor }
          .flat_map { |fault| Neighbours.new(@job, plan(fault)).rows }.uniq { |row| row.fan.key }
      end

      def neighbour_line(row)
        Line.new(what: NEIGHBOUR, kind: "parts", cents: row.answer.now_cents,
          place: row.fan.long_label,
          evidence: "#{row.because}; fails within a year in #{(row.answer.fail_chance * 100).round} of 100 such cases")
      end
    end
  end
end
