# frozen_string_literal: true

require "csv"

module Stations
  module Source
    # What was ordered for a job, for whoever fetches or sells it: part and their own number, how
    # many, what belongs to it, when it is wanted.
    class PartsSheet
      HEADER = %w[order supplier their_no part_no maker count besides price state wanted_by].freeze
      STATES = {"to_send" => "not sent yet", "placed" => "ordered", "by_hand" => "to be rung", "sold" => "sold out",
                "here" => "here", "over" => "here, not used", "returned" => "given back",
                "kept" => "kept on a van"}.freeze

      # @param orders [Enumerable<PartOrder>]
      # @param words what says figures and money
      def initialize(job, orders, words:)
        @job = job
        @orders = orders
        @words = words
      end

      def csv
        CSV.generate(headers: HEADER, write_headers: true) do |csv|
          rows.each do |row|
            cells = row.merge("price" => format("%.2f", row["price"] / 100.0)).values_at(*HEADER)
            csv << cells.map { |cell| Fenbo::SafeCell.out(cell) }
          end
        end
      end

      def pdf
        paper = Shared::Paper.new("Parts for job #{@job.number}")
        head(paper)
        paper.table([["Order", "Supplier", "Part", "Count", "Price", "Wanted by"], *rows.map { |row| cells(row) }])
        besides(paper)
        paper.render("Parts, job #{@job.number}")
      end

      private

      def rows = @rows ||= @orders.map { |order| row(order) }

      def row(order)
        {"order" => order.number, "supplier" => order.supplier_name, "their_no" => order.their_no,
         "part_no" => order.part_no, "maker" => makers[order.part_no], "count" => order.count,
         "besides" => order.besides.join("; "), "price" => order.price_cents, "state" => STATES.fetch(order.state),
         "wanted_by" => Shared::Shop.local(order.ready_at).strftime("%Y-%m-%d %H:%M")}
      end

      def makers
        @makers ||= @job.faults.filter_map { |fault| fault.part_choice&.thing }.to_h { |one| [one.part_no, one.maker] }
      end

      def head(paper)
        site = @job.unit.site
        paper.small Setting.read("shop_name")
        paper.text "Parts for job #{@job.number}", size: 18, style: :bold
        paper.text [@job.unit.name, @job.unit.model, site.name, site.address].compact.join(", ")
        paper.rule
      end

      def cells(row)
        part = [row["part_no"], row["maker"], ("their #{row["their_no"]}" if row["their_no"])].compact.join(", ")
        [row["order"], "#{row["supplier"]}, #{row["state"]}", part, row["count"].to_s, @words.money(row["price"]),
          row["wanted_by"]]
      end

      def besides(paper)
        list = rows.map { |row| row["besides"] }.reject(&:empty?)
        return if list.empty?
        paper.section "With them"
        list.each { |line| paper.text line }
      end
    end
  end
end
