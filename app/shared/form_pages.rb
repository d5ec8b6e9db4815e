# frozen_string_literal: true

module Shared
  # Where a form is shown whose own address only takes it.
  module FormPages
    OF_A_JOB = {
      "findings" => "look", "photos" => "look", "state" => "measure", "readings" => "measure", "close" => "hand_over",
      "reopen" => "hand_over", "sheet" => "hand_over", "orders" => "source", "stations" => nil
    }.freeze
    ELSEWHERE = {"calendar" => "settings", "meter" => "settings"}.freeze

    module_function

    # @param path [String] that a form is sent to
    def page_of(path)
      _, first, second, third = path.split("/", 5)
      return "/#{ELSEWHERE.fetch(first, first)}" unless first == "jobs" && second
      ["/jobs", second, OF_A_JOB.fetch(third, third)].compact.join("/")
    end
  end
end
