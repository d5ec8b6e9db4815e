# frozen_string_literal: true

# A job of nobody's, gone through once before the phone's memory is kept: what is only built
# when a page is first asked for is there from the first page on.
module Example
  NUMBER = 1
  PAGES = %w[look measure decide frost fit prove hand_over].freeze
  FAN = {
    "side" => "evaporator", "number" => 1, "motors" => [{
      "uid" => "m", "family" => "shaded_pole", "volts" => [230.0], "hertz" => [50.0], "amps" => [0.4],
      "integral_blade" => false
    }]
  }.freeze
  CUSTOMER = {"uid" => "c", "name" => "Example", "overtime_allowed" => true}.freeze
  UNIT = {
    "uid" => "u", "name" => "Example", "family" => "walk_in_cooler", "flammable" => false, "supply_volts" => 230.0,
    "supply_phases" => 1, "supply_hertz" => 50.0, "wet" => false, "belt" => false, "features" => {}, "fans" => [FAN],
    "circuits" => [], "site" => {"uid" => "s", "name" => "Example", "customer" => CUSTOMER}
  }.freeze
  PERSON = {"uid" => "p", "name" => "Example", "role" => "technician"}.freeze
  JOB = {
    "version" => 1, "uid" => "j", "number" => NUMBER, "unit" => UNIT, "fan" => "evaporator-1", "complaint" => "Example",
    "complaint_kinds" => [], "recent_work" => false, "status" => "open", "station" => "look",
    "opened_at" => "2031-05-05T08:00:00Z", "state" => "L", "visits" => [], "findings" => [], "readings" => [],
    "photos" => [], "decisions" => [], "part_choices" => [], "steps" => [], "stations" => [], "proof_checks" => []
  }.freeze
  PACK = {
    "version" => 1, "made_at" => "2031-05-05T08:00:00Z", "beside" => [], "history" => {}, "shop" => {}, "job" => JOB,
    "person" => PERSON.merge("id" => 0, "unit_system" => "si", "appearance" => "day", "meter" => {},
      "licensed" => false)
  }.freeze
  # Seen, so that the judgement is drawn too.
  SEEN = "fan=evaporator-1&test=fan_motion&outcome=stopped&client_id=00000000-0000-4000-8000-000000000000"

  module_function

  def go_through
    Phone.load(JSON.generate(PACK))
    press("POST", "findings", SEEN)
    PAGES.each { |page| press("GET", page) }
    Phone.let_go(NUMBER)
  end

  def press(verb, page, body = "")
    answer = Phone.ask(JSON.generate(verb:, path: "/jobs/#{NUMBER}/#{page}", query: "", body:))
    status = JSON.parse(answer)["status"]
    raise "the example's #{page} answers #{status}" if status >= 400
  end
end
