# frozen_string_literal: true

require "matrix"
require "prawn"
require "prawn-svg"
require "prawn/table"

module Shared
  # A sheet being printed: its letters, headings, tables and drawings. DejaVu covers Latin,
  # Greek and Cyrillic; a letter beyond them is named instead of printed as a box.
  class Paper
    FONTS = "/usr/share/fonts/truetype/dejavu"
    INK = "14302B"
    COPPER = "8A4620"
    MUTED = "4D625C"
    BAD = "A5341C"
    MARGIN = [44, 48, 52, 48].freeze
    # Room for a label under a drawing.
    LABEL = 24
    # Least room a heading needs below it, so that it does not stand alone.
    HEADING_ROOM = 90
    MOSTLY_FREE = 0.6
    CELL = {borders: [:bottom], border_width: 0.5, border_color: "C5D0CA", padding: [3, 8, 3, 0], size: 8.5}.freeze
    # What its letters are: everything else is written as its code.
    LETTERS = /[^\u0009\u000a\u0020-\u02af\u0370-\u04ff\u1e00-\u1eff\u2000-\u206f\u20a0-\u22ff\u2500-\u27bf]/

    attr_reader :pdf

    def initialize(title)
      @pdf = Prawn::Document.new(page_size: "A4", margin: MARGIN, info: {Title: title, Creator: "Fenbo"})
      @pdf.font_families.update(Drawing::OnPaper::FONT => {normal: "#{FONTS}/DejaVuSans.ttf",
                                                           bold: "#{FONTS}/DejaVuSans-Bold.ttf"})
      @pdf.font Drawing::OnPaper::FONT, size: 9.5
      @pdf.fill_color INK
    end

    # @param numbered [String] what stands before the page's number
    def render(numbered)
      @pdf.number_pages "#{numbered} · page <page> of <total>", at: [0, -18], size: 8, color: MUTED, align: :right
      @pdf.render
    end

    def text(words, **options)
      @pdf.text legible(words), **options
    end

    def small(words, color: MUTED) = text(words, size: 8.5, color:)

    def section(title)
      room(HEADING_ROOM)
      @pdf.move_down 8
      text title, size: 11.5, style: :bold
      @pdf.move_down 3
    end

    # A new page where less than this is left.
    def room(height)
      @pdf.start_new_page if @pdf.cursor < height
    end

    # A page of its own for what follows, unless little stands on this one.
    def fresh_page = room(@pdf.bounds.height * MOSTLY_FREE)

    def gap(points) = @pdf.move_down(points)

    def rule
      gap 6
      @pdf.stroke_color COPPER
      @pdf.line_width 2.4
      @pdf.stroke_horizontal_rule
      @pdf.line_width 0.75
      @pdf.stroke_color INK
      gap 10
    end

    # A drawing of the screens, so wide in points, its caption above it on the same page.
    def drawing(svg, width:, caption: nil)
      paper = Drawing::OnPaper.new(svg)
      room(width / paper.proportion + 12 + (caption ? @pdf.height_of(legible(caption)) : 0))
      text caption if caption
      @pdf.svg paper.to_s, width:, enable_web_requests: false
      gap 6
    end

    # Words under a drawing, in columns of one width.
    def labels(list)
      width = @pdf.bounds.width / list.size
      top = @pdf.cursor
      list.each_with_index do |words, index|
        @pdf.text_box legible(words), at: [width * index, top], width: width - 4, height: LABEL, size: 8,
          align: :center, overflow: :shrink_to_fit
      end
      gap LABEL
    end

    # Rows of words, the first of them the heads.
    # @param amounts [Integer, nil] which column holds amounts: unbroken, on the right, their sum last
    def table(rows, amounts: nil)
      return text("Nothing was recorded.", color: MUTED) if rows.size == 1
      cells = rows.map { |row| row.map { |cell| legible(cell) } }
      widths = amounts ? {amounts => widest(cells.map { |row| row[amounts] })} : {}
      @pdf.table(cells, header: true, width: @pdf.bounds.width, cell_style: CELL, column_widths: widths) do |table|
        table.row(0).font_style = :bold
        next unless amounts
        table.column(amounts).align = :right
        table.row(-1).font_style = :bold
      end
    end

    def strokes(list, width: 220, height: 74)
      room(height + 4)
      @pdf.bounding_box([0, @pdf.cursor], width:, height:) do
        @pdf.stroke_bounds
        @pdf.line_width 1.2
        list.each do |stroke|
          stroke.map { |x, y|
            [x * width, height - y * height]
          }.each_cons(2) { |from, to| @pdf.stroke_line(from, to) }
        end
      end
      gap 4
    end

    private

    # What a column needs for its longest words in bold.
    def widest(words)
      words.map { |one| @pdf.width_of(one, size: CELL[:size], style: :bold) }.max + CELL[:padding].sum
    end

    def legible(words)
      words.to_s.gsub(LETTERS) { |letter| "[U+#{letter.ord.to_s(16).upcase}]" }
    end
  end
end
