# frozen_string_literal: true

require_relative "dcomplex"

# As much of the number library as a recording is read with (lib/fenbo/observation/sound), for a
# Ruby that cannot have it. What is done to a whole row is done by the browser (rows.js), behind a
# device; the rows stay as bytes until somebody asks for single values.
module Numo
  module NMath
    module_function

    def sin(row) = row.done(:sin)

    def cos(row) = row.done(:cos)

    def sqrt(row) = row.done(:sqrt)
  end

  module Pocketfft
    module_function

    def fft(row)
      DComplex.halves(Rows.done(:fft, row.real.bytes, row.imag.bytes))
    end

    def ifft(row)
      DComplex.halves(Rows.done(:ifft, row.real.bytes, row.imag.bytes)) * (1.0 / row.size)
    end

    # Of a row of reals; the other half mirrors it.
    def rfft(row) = DComplex.halves(Rows.done(:rfft, row.bytes))
  end
end
