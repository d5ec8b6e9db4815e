# frozen_string_literal: true

module Fenbo
  # Text in a CSV cell that a spreadsheet would take for a formula: written with an
  # apostrophe before it, which spreadsheets show as text and Fenbo takes off again.
  module SafeCell
    FORMULA = /\A'*[=+\-@\t\r]/
    NUMBER = /\A[-+]?(\d+([.,]\d+)?|[.,]\d+)(e[-+]?\d+)?\z/i
    MARK = "'"

    module_function

    # @param value [Object] a cell; what is no text, and figures, stay as they are
    def out(value)
      return value unless value.is_a?(String) && value.match?(FORMULA) && !value.match?(NUMBER)
      MARK + value
    end

    # The same read back.
    def back(text)
      (text&.start_with?(MARK) && text.match?(FORMULA)) ? text[1..] : text
    end
  end
end
