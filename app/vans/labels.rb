# frozen_string_literal: true

require "rqrcode_core"

module Vans
  # Labels for the drawers of a van, three across: a part's number and a code that a phone reads
  # and opens this part on the van with.
  class Labels
    ACROSS = 3
    HIGH = 82
    CODE = 62
    GAP = 8

    # @param stock [Array<VanStock>]
    # @param address [String] of this Fenbo, as phones reach it
    def initialize(stock, address:)
      @stock = stock
      @address = address
    end

    def render
      @paper = Shared::Paper.new("Van labels")
      @stock.each_slice(ACROSS) { |row| row(row) }
      @paper.text "Nothing is noted on this van yet." if @stock.empty?
      @paper.render("Van labels")
    end

    private

    def pdf = @paper.pdf

    def row(row)
      @paper.room HIGH + GAP
      top, wide = pdf.cursor, pdf.bounds.width / ACROSS
      row.each_with_index { |one, index| label(one, index * wide, top, wide - GAP) }
      pdf.move_cursor_to top - HIGH - GAP
    end

    def label(one, left, top, wide)
      pdf.bounding_box([left, top], width: wide, height: HIGH) do
        pdf.stroke_bounds
        code(one, 10, HIGH - 10)
        pdf.bounding_box([CODE + 18, HIGH - 12], width: wide - CODE - 24, height: HIGH - 20) do
          @paper.text one.part_no, size: 8, style: :bold
          @paper.small "at least #{one.least}"
        end
      end
    end

    # A square each module, no gaps between.
    def code(one, left, top)
      modules = RQRCodeCore::QRCode.new(link(one), level: :m).modules
      side = CODE.fdiv(modules.size)
      pdf.fill_color "000000"
      modules.each_with_index do |row, y|
        row.each_with_index do |dark, x|
          pdf.fill_rectangle([left + x * side, top - y * side], side + 0.05, side + 0.05) if dark
        end
      end
      pdf.fill_color Shared::Paper::INK
    end

    def link(one)
      "#{@address}/van?of=#{one.user_id}&part=#{one.part_no}#change"
    end
  end
end
