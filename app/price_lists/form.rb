# frozen_string_literal: true

require "csv"

module PriceLists
  # A supplier and its price list: who it is, its terms, and a CSV file with a line a part.
  # part_no and price are needed; in_stock (yes/no), lead_days and their_no are understood.
  class Form < Shared::Form
    NEEDED = %w[part_no price].freeze
    MOST_LINES = 50_000
    LONGEST_PART = 60
    # Faults of lines that are told at once.
    MOST_SHOWN = 5
    HEADING = ->(head) { head.to_s.strip.downcase.tr(" ", "_") }
    YES, NO = %w[yes y 1 true], %w[no n 0 false]
    KINDS = {"counter" => "A counter", "order" => "Sends it"}.freeze

    # Takes the whole list, or nothing of it.
    # @return [Supplier, nil] nil with faults
    def save
      name = text(:name, longest: 80, required: "Who is it?")
      kind = choice(:kind, KINDS.keys, required: "A counter, or does it send?")
      terms = (kind == "order") ? order_terms : counter_terms
      rows = lines
      return unless clean?
      keep(name, kind, terms.compact, rows)
    end

    private

    def keep(name, kind, terms, rows)
      Supplier.transaction(requires_new: true) do
        supplier = Supplier.lock.find_by("lower(name) = ?", name.downcase) || Supplier.new(name:)
        supplier.update!(kind:, terms:)
        supplier.supplier_prices.delete_all
        SupplierPrice.insert_all!(rows.map { |row| row.merge(supplier_id: supplier.id) })
        Setting.write("price_lists", Supplier.count)
        supplier
      end
    rescue ActiveRecord::RecordNotUnique
      fault(:name, "Somebody else loads this list at this moment. Look, then once more.")
    end

    def order_terms
      {"lead_days" => whole(:lead_days, 0..365, required: true), "freight_cents" => cents(:freight) || 0,
       "cutoff" => clock(:cutoff), "delivers_at" => clock(:delivers_at)}
    end

    def counter_terms
      open = opening_hours(:days, :from, :to).merge("closed" => dates(:closed))
      {"travel_minutes" => whole(:travel_minutes, 0..1440, required: true), "open" => open}
    end

    # @return [Array<Hash>] one a part; faults name their lines, the first few at once
    def lines
      @wrong = []
      table = CSV.parse(csv_text, headers: true, col_sep: separator, header_converters: HEADING)
      missing = NEEDED - table.headers.compact
      return fault(:csv, "It needs the columns #{missing.join(" and ")}.") || [] if missing.any?
      return fault(:csv, "More than #{MOST_LINES} lines.") || [] if table.size > MOST_LINES
      rows = table.each_with_index.filter_map { |row, index| line(row, index + 2) }
      @wrong << "It has no line with a part." if rows.empty? && @wrong.empty?
      contradicted(rows.uniq)
      fault(:csv, wrong_words) if @wrong.any?
      rows.uniq
    rescue CSV::MalformedCSVError => problem
      fault(:csv, "Not a CSV file: #{problem.message.lines.first.strip}") || []
    end

    # One part at two prices: which of them holds, its supplier has to say.
    def contradicted(rows)
      rows.group_by { |row| row[:part_no] }.each do |part_no, all|
        @wrong << "#{part_no} stands in #{all.size} lines that differ." if all.size > 1
      end
    end

    def wrong_words
      more = @wrong.size - MOST_SHOWN
      [*@wrong.first(MOST_SHOWN), ("And #{more} more." if more.positive?)].compact.join(" ")
    end

    # @return [nil] so that a reader can end with it
    def wrong(number, what)
      @wrong << "Line #{number}: #{what}."
      nil
    end

    # The file that was chosen lies in the field as text.
    def csv_text
      params[:csv].to_s.dup.force_encoding("UTF-8").scrub("?").delete_prefix("\uFEFF")
    end

    def separator
      csv_text.lines.first.to_s.then { |first| (first.count(";") > first.count(",")) ? ";" : "," }
    end

    def line(row, number)
      part_no = row["part_no"].to_s.strip.upcase
      return if part_no.empty?
      return wrong(number, "part_no is longer than #{LONGEST_PART} characters") if part_no.size > LONGEST_PART
      price = row["price"].to_s.strip
      unless price.match?(/\A\d{1,7}([.,]\d{1,2})?\z/)
        return wrong(number, "“#{price[0, 20]}” is no price like 42.50")
      end
      {part_no:, price_cents: (price.tr(",", ".").to_r * 100).to_i, in_stock: stock(row, number),
       lead_days: lead(row, number), their_no: row["their_no"].to_s.strip[0, 60].presence}
    end

    def stock(row, number)
      text = row["in_stock"].to_s.strip.downcase
      return true if text.empty? || YES.include?(text)
      wrong(number, "in_stock is yes or no, not “#{text[0, 20]}”") unless NO.include?(text)
      false
    end

    def lead(row, number)
      text = row["lead_days"].to_s.strip
      return if text.empty?
      return text.to_i if text.match?(/\A\d{1,3}\z/)
      wrong(number, "lead_days is a whole number, not “#{text[0, 20]}”")
    end
  end
end
