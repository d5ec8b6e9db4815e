# frozen_string_literal: true

# Parts that are not motors: held against the old one column by column, with the reason.
RSpec.describe Fenbo::Matching::SpareMatch do
  def ask(kind, old, parts, **site)
    parts = parts.map.with_index { |row, index| {"part_no" => ("A".."Z").to_a[index], **row.transform_keys(&:to_s)} }
    described_class.call({"kind" => kind, "old" => old.transform_keys(&:to_s), "parts" => parts,
                          "site" => site.transform_keys(&:to_s)})
  end

  def grades(result)
    result[:candidates].to_h { |one| [one[:part_no], one[:grade]] }
  end

  contactor = {coil_volts: 24, hertz: 50, poles: 3, amps: 25, held: "rail"}

  it "takes a contactor of the same coil that carries as much or more, on as many poles" do
    result = ask("contactor", contactor, [contactor, contactor.merge(amps: 32, held: "screws"),
      contactor.merge(amps: 24), contactor.merge(coil_volts: 230), contactor.merge(poles: 1)])
    expect(grades(result)).to eq("A" => "drop_in", "B" => "fits_with_work")
    expect(result[:candidates].last).to include(extra_work: [{id: "bracket", minutes: 15}], extra_minutes: 15)
    expect(result[:rejected].to_h { |one| [one[:part_no], one[:checks].map { |check| check[:check] }] })
      .to eq("C" => %w[amps], "D" => %w[coil_volts], "E" => %w[poles])
    expect(result.verdict).to eq "A"
  end

  {
    "run_capacitor" => [{uf: 5, volts: 370}, {uf: 5.3, volts: 450}, {uf: 5.31, volts: 450}],
    "defrost_heater" => [{volts: 230, watts: 400, length_mm: 600}, {volts: 230, watts: 440, length_mm: 600},
      {volts: 230, watts: 441, length_mm: 600}],
    "defrost_termination" => [{closes_c: -5, opens_c: 10}, {closes_c: -5, opens_c: 13}, {closes_c: -5, opens_c: 13.1}],
    "gasket" => [{length_mm: 1500, width_mm: 620}, {length_mm: 1515, width_mm: 620}, {length_mm: 1516, width_mm: 620}],
    "drain_heater" => [{volts: 230, watts: 50, length_mm: 1500}, {volts: 230, watts: 50, length_mm: 1600},
      {volts: 230, watts: 50, length_mm: 1400}]
  }.each do |kind, (old, on, over)|
    it "judges a #{kind} on and beyond its limit" do
      result = ask(kind, old, [on, over])
      expect([result[:candidates].map { |one| one[:part_no] }, result[:rejected].map { |one| one[:part_no] }])
        .to eq [%w[A], %w[B]]
    end
  end

  it "takes only what is marked where the refrigerant burns, and only sealed joints where it is wet" do
    part = {amps: 6, action: "opens", plug: "spades"}
    expect(grades(ask("door_switch", part, [part.merge(flammable_ok: true), part], flammable: true)).keys).to eq %w[A]
    joint = {pins: 3, form: "round", wire_mm2: 1.5}
    expect(grades(ask("connector", joint, [joint, joint.merge(sealed: true)], wet: true)).keys).to eq %w[B]
  end

  it "says what is not known instead of guessing" do
    result = ask("contactor", contactor.except(:poles), [contactor])
    expect(result[:candidates].first[:grade]).to eq "fits_with_work"
    expect(result[:candidates].first[:checks].map { |check|
      check[:reason]
    }.join).to include("poles: not known, compare")
    expect(result[:candidates].first[:compare]).to eq %w[poles]
    expect(result.reasons.first.text).to eq "A may fit: poles to be compared first"
    expect(Fenbo::Matching::SpareJudged.words("fits_with_work", %w[power length ends]))
      .to eq "may fit: power, length and ends to be compared first"
  end

  it "puts what nobody has last, then what is here sooner and cheaper" do
    parts = [contactor.merge(obtainable: false, price_cents: 100), contactor.merge(available_hours: 48),
      contactor.merge(available_hours: 0, landed_cents: 900), contactor.merge(available_hours: 0, landed_cents: 800)]
    expect(ask("contactor", contactor, parts)[:candidates].map { |one| one[:part_no] }).to eq %w[D C B A]
  end

  it "names every wrong field at once" do
    result = described_class.call({"kind" => "contactor", "old" => {"held" => "glue", "amps" => "much"},
                                   "parts" => [{"poles" => "three"}]})
    expect(result.faults.map(&:field)).to match_array %w[old.held old.amps parts.0.poles parts.0.part_no]
    expect(ask("gong", {}, []).at("kind")).to match(/contactor/)
  end
end
