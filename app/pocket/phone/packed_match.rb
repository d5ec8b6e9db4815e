# frozen_string_literal: true

# What fits, without the catalogue: the best few that came along, judged again by the core. One
# can be chosen; who has it, and ordering it, waits for the signal.
class PackedMatch < Shared::Route
  PATH = %r{\A/jobs/\d+/match\z}
  NOT_AMONG = "It is not among those that came along for this fan. Choose one of them, or wait for the signal."

  set :views, File.join(__dir__, "views")

  get "/jobs/:number/match" do
    station :packed_match, at: "match", result:, packed: Phone.pack
  end

  post "/jobs/:number/match" do
    need :decide
    chosen = (candidates.find { |one| one.part_no == params[:part] } if here?)
    halt(*refuse(422, "That motor does not fit", NOT_AMONG)) unless chosen
    take Entries::Part.new(fault: fault_here.key, part_no: chosen.part_no, grade: chosen.grade,
      checks: chosen.checks.as_json, beside: shown(chosen)["beside"])
    back_to "/jobs/#{job.number}/fit?fan=#{spot}",
      "#{chosen.part_no} chosen. Who has it is asked when there is signal."
  end

  private

  def result
    @result ||= Fenbo.call(:match, Phone.pack.best["question"], limits: Shared::Shop.limits)
  end

  def candidates = result.refused? ? [] : result.candidates

  def shown(candidate) = Phone.pack.best["shown"].fetch(candidate.part_no)

  # Whether they came along for the fan in hand.
  def here? = position&.key == Phone.pack.best["fan"]

  def packed_place = job.unit.fan(Phone.pack.best["fan"])
end
