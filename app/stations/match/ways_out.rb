# frozen_string_literal: true

module Stations
  module Match
    # Ways out where a part does not fit, or is too close to call: more spacers, the
    # original, a part with another shaft, or measuring again. Each with its price and hour.
    class WaysOut
      Way = Fenbo::Value.of(:title, :text, :link)

      def initialize(search, part_no, form)
        @search = search
        @part_no = part_no
        @form = form
      end

      def all = [spacers, original, other_shaft, again].compact

      private

      def result = @form.result

      def path(part, **more)
        query = {fan: @search.job.short_key(@search.fault), part:, **more}.compact
        "/jobs/#{@search.job.number}/fitting?#{Rack::Utils.build_query(query)}"
      end

      # As many as it takes, whatever is at hand.
      def spacers
        return nil unless result.verdict == "does_not_fit"
        thick =
          @form.asked_question["t"].to_f.positive? ? @form.asked_question["t"] : Shared::Shop.limits["fit.usual_spacer"]
        more =
          Fenbo.call(
            :fit,
            @form.asked_question.except("chosen").merge("t" => thick, "n_max" => ClearanceForm::MOST_SPACERS),
            limits: Shared::Shop.limits
          )
        return nil unless more.verdict == "fits_with_spacers"
        count = more.spacers
        Way.new(
          title: "#{count} #{(count == 1) ? "spacer" : "spacers"} of #{Fenbo::Quantities.tidy(thick)} mm",
          text:
            "guard and ring out #{Fenbo::Quantities.tidy((count * thick).round(1))} mm, hub at " \
              "#{Fenbo::Quantities.tidy(more.seat.round(1))} mm",
          link: nil
        )
      end

      def original
        number = @search.old&.part_no
        one = number && number != @part_no && @search.candidates.find { |candidate| candidate.part_no == number } or
          return nil
        Way.new(title: "The original, #{number}", text: words(one), link: path(number))
      end

      # The best part that does clear here.
      def other_shaft
        one =
          @search.candidates.find do |candidate|
            candidate.part_no != @part_no && candidate.part_no != @search.old&.part_no &&
              candidate.checks.any? { |line| line.check == "fit" && line.result == "pass" }
          end or return nil
        motor = @search.motor(one.part_no)
        Way.new(
          title: "Another shaft, #{one.part_no}",
          text: "#{Fenbo::Quantities.tidy(motor.shaft_length_mm)} mm of shaft, #{words(one)}",
          link: path(one.part_no)
        )
      end

      def again
        return nil if result.close.empty?
        Way.new(
          title: "Measure again",
          text:
            "±#{Fenbo::Quantities.tidy(@form.asked_question["tolerance"] || @form.usual_tolerance)} mm decides " \
              "on #{result.close.join(" and ")}",
          link: "#measurements"
        )
      end

      def words(candidate)
        motor = @search.motor(candidate.part_no)
        [
          Shared::Words::GRADES[candidate.grade].downcase,
          Shared::Shop.money(motor.price_cents),
          soonest(motor)
        ].compact.join(", ")
      end

      def soonest(motor)
        offer =
          Suppliers::Desk
            .offers(motor)
            .reject { |one| one["in_stock"] == false }
            .min_by { |one| PartSearch::SOON.fetch(one["kind"]) { one.fetch("lead_days", 1) * PartSearch::A_DAY } }
        offer && Suppliers::Desk.name_of(offer["id"]).sub(/\AO/, "o")
      end
    end
  end
end
