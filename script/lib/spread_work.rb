# frozen_string_literal: true

# Work shared out over processes, for the benches that run thousands of cases.
module SpreadWork
  module_function

  # @param workers [Integer]
  # @yield [worker] in a process of its own; gives a list
  # @return [Array] all lists as one
  def over(workers)
    readers = (0...workers).map do |worker|
      reader, writer = IO.pipe(binmode: true)
      fork do
        reader.close
        Marshal.dump(yield(worker), writer)
        writer.close
      end
      writer.close
      reader
    end
    readers.flat_map { |reader| Marshal.load(reader.read) }.tap { Process.waitall }
  end
end
