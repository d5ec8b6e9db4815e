# frozen_string_literal: true

# The first part of a path names the class that answers it; under /jobs/N the third
# part does. A request passes through one class only.
module Paths
  FIRST = {
    nil => "Day::Route",
    "up" => "Api::Health",
    "api" => "Api::Tools",
    "meter" => "Api::Meter",
    "sign-in" => "People::SignIn",
    "sign-out" => "People::SignIn",
    "first-run" => "People::FirstRun",
    "new-password" => "People::NewPassword",
    "customers" => "Customers::Route",
    "van" => "Vans::Route",
    "units" => "Units::Route",
    "parts" => "Catalogue::Route",
    "imports" => "Catalogue::Imports",
    "settings" => "Settings::Route",
    "style" => "Settings::Style",
    "photos" => "Stations::Look::Photos",
    "jobs" => "Stations::Call::Jobs",
    "bench" => "Bench::Route",
    "learning" => "Learning::Route",
    "job-files" => "JobFiles::Route",
    "reports" => "Stations::HandOver::Bundles",
    "sheet" => "Stations::HandOver::Sheet",
    "quote" => "Stations::Source::QuoteDoor",
    "calendar" => "Calendars::Route",
    "week" => "Week::Route",
    "suppliers" => "PriceLists::Route",
    "pocket" => "Pocket::Route",
    "sw.js" => "Pocket::Route",
    "left" => "Pocket::Left",
    "refused" => "Shared::Refused"
  }.freeze

  OF_A_JOB = {
    nil => "Stations::Call::Jobs",
    "state" => "Stations::Call::Jobs",
    "stations" => "Stations::Call::Jobs",
    "call" => "Stations::Call::Route",
    "arrange" => "Stations::Call::Arrange",
    "look" => "Stations::Look::Route",
    "findings" => "Stations::Look::Findings",
    "frost" => "Stations::Look::Frost",
    "sounds" => "Stations::Look::Sounds",
    "photos" => "Stations::Look::Photos",
    "measure" => "Stations::Measure::Route",
    "readings" => "Stations::Measure::Readings",
    "decide" => "Stations::Decide::Route",
    "match" => "Stations::Match::Route",
    "beside" => "Stations::Match::Route",
    "fitting" => "Stations::Match::Clearance",
    "source" => "Stations::Source::Route",
    "clock" => "Clocks::Route",
    "orders" => "Stations::Source::Orders",
    "parts.pdf" => "Stations::Source::Orders",
    "parts.csv" => "Stations::Source::Orders",
    "quote" => "Stations::Source::Quotes",
    "replace" => "Stations::Source::Replace",
    "fit" => "Stations::WorkPlan::Route",
    "prove" => "Stations::Prove::Route",
    "refrigerant" => "Circuits::Route",
    "refrigerant.csv" => "Circuits::Route",
    "hand_over" => "Stations::HandOver::Route",
    "close" => "Stations::HandOver::Route",
    "sheet" => "Stations::HandOver::Route",
    "reopen" => "Stations::HandOver::Route",
    "report" => "Stations::HandOver::Documents",
    "report.pdf" => "Stations::HandOver::Documents",
    "next-visit.ics" => "Stations::HandOver::Documents",
    "job-file.zip" => "JobFiles::Route"
  }.freeze

  module_function

  # @return [Class] that answers; Shared::Nowhere where nobody does
  def route(path) = Object.const_get(room(path))

  # @return [String] its name
  def room(path)
    _, first, second, third = path.split("/", 5)
    ((first == "jobs" && second) ? OF_A_JOB[third] : FIRST[first.presence]) || "Shared::Nowhere"
  end
end
