# frozen_string_literal: true

# Work done once in a process of its own, so that the one that serves stays small.
module Apart
  module_function

  # @return [Boolean] whether it came to its end
  def run
    pid = fork do
      yield
      $stdout.flush
      exit!(0)
    rescue => problem
      warn "#{problem.class}: #{problem.message.lines.first}"
      exit!(1)
    end
    Process.wait2(pid).last.success?
  end
end
