# frozen_string_literal: true

module Shared
  module Instruments
    # The refrigerant ledger of a circuit, for licensed people.
    class Refrigerant < Instrument
      LEAST_ROWS = 3
      MOST_ROWS = 40

      def fields
        [
          Field.new(name: "full", label: "Full charge", kind: "mass"),
          Field.new(name: "warn", label: "Warn above, a year", unit: "%")
        ] +
          (1..rows).flat_map do |row|
            group = "Cylinder #{row}"
            [
              Field.new(name: "on_#{row}", label: "Day", hint: "2031-02-01", group:),
              Field.new(
                name: "kind_#{row}",
                label: "What",
                options: {
                  "added" => "Added",
                  "recovered" => "Recovered"
                },
                group:
              ),
              Field.new(name: "before_#{row}", label: "Weight before", kind: "mass", group:),
              Field.new(name: "after_#{row}", label: "Weight after", kind: "mass", group:)
            ]
          end
      end

      def working
        last = result.last_addition or return []
        [
          [
            "share = added ÷ full charge",
            "#{tidy(last.kg)} ÷ #{tidy(asked["full_charge_kg"])} = #{tidy(last.share * 100)} %"
          ],
          [
            "annual rate = share × 365 ÷ days",
            "#{tidy(last.share * 100)} % × 365 ÷ #{tidy(last.days)} = #{tidy(last.annual_rate_percent)} %"
          ]
        ]
      end

      private

      def known = {"warn" => tidy(Shop.limits["refrigerant.warn"])}

      # As many rows as are filled, and one to go on with.
      def rows
        filled =
          (1..MOST_ROWS)
            .select { |row| %w[on before after].any? { |name| @typed["#{name}_#{row}"].to_s.strip != "" } }
            .max || 0
        (filled + 1).clamp(LEAST_ROWS, MOST_ROWS)
      end

      def question
        @places =
          (1..rows).select { |row| %w[on before after].any? { |name| @typed["#{name}_#{row}"].to_s.strip != "" } }
        {
          "full_charge_kg" => figure("full", required: true),
          "warn_percent" => number("warn"),
          "moves" =>
            @places.map do |row|
              {
                "on" => value("on_#{row}").to_s.strip,
                "kind" => value("kind_#{row}").presence || "added",
                "before_kg" => figure("before_#{row}", required: true),
                "after_kg" => figure("after_#{row}", required: true)
              }
            end
        }
      end

      def field_of(path)
        unless path =~ /\Amoves\.(\d+)\.(\w+)\z/
          return {"full_charge_kg" => "full", "warn_percent" => "warn"}.fetch(path, "full")
        end
        name = {"on" => "on", "kind" => "kind", "before_kg" => "before", "after_kg" => "after"}.fetch($2)
        "#{name}_#{@places[$1.to_i]}"
      end
    end
  end
end
