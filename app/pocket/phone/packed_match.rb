# frozen_string_literal: true

# What fits, without the catalogue: the best few that came along, judged again by the core. To
# choose one needs the signal, since somebody has to have it.
class PackedMatch < Shared::Route
  PATH = %r{\A/jobs/\d+/match\z}

  set :views, File.join(__dir__, "views")

  get "/jobs/:number/match" do
    station :packed_match, at: "match", result:, packed: Phone.pack
  end

  private

  def result
    Fenbo.call(:match, Phone.pack.best["question"], limits: Shared::Shop.limits)
  end

  def packed_place = job.unit.fan(Phone.pack.best["fan"])
end
