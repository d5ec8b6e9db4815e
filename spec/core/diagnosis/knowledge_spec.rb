# frozen_string_literal: true

# Every cause of the trade, found from its own textbook picture on every kind of
# equipment it can occur on: the outcomes it shows most often, and the usual ones
# for what the fan then does.
RSpec.describe "the knowledge of causes" do
  def typical(model, cause)
    set = [model.place(cause)]
    motion = model.state_of(set).each_with_index.max_by(&:first).last
    model
      .tests
      .reject { |test| test.id == "noise_with_fan_disconnected" }
      .map do |test|
        chances = model.distribution(test, motion, set)
        {"test" => test.id, "outcome" => test.outcomes[chances.each_index.max_by { |k| chances[k] }]}
      end
  end

  def leading(equipment, findings)
    result =
      Fenbo.call(
        "diagnose",
        {
          "unit" => {
            "family" => equipment.family,
            "fans" => [{"position" => "#{equipment.side}-1", "motor" => {"family" => equipment.motor}}]
          },
          "position" => "#{equipment.side}-1",
          "findings" => findings
        }
      )
    result[:sets].first[:causes]
  end

  # Some causes of the whole unit can only be told at its other side: a compressor
  # fault, say, has no test of its own at a condenser fan. No single finding there
  # is a dozen times likelier with it than without.
  def telling?(model, cause)
    set = [model.place(cause)]
    motion = model.state_of(set).each_with_index.max_by(&:first).last
    !cause.unit? ||
      model.tests.any? do |test|
        model
          .named(test, motion, set)
          .zip(model.usual(test, motion))
          .any? { |with, without| with > 0.4 && with > 12 * without }
      end
  end

  equipments =
    [
      %w[household_bottom_freezer evaporator ec],
      %w[household_machine_bay condenser shaded_pole],
      %w[reach_in evaporator shaded_pole],
      %w[walk_in_cooler evaporator psc],
      %w[remote_condenser condenser psc],
      %w[fan_bank_condenser condenser three_phase]
    ].map { |family, side, motor| Fenbo::Diagnosis::Equipment.new(family:, side:, motor:) }

  equipments.each do |equipment|
    it "finds every cause on a #{equipment.family} with #{equipment.motor} fans from its own picture", :slow do
      model = Fenbo::Diagnosis::Model.for(equipment)
      missed =
        model
          .causes
          .select { |cause| telling?(model, cause) }
          .reject { |cause| leading(equipment, typical(model, cause)) == [cause.id] }
      expect(missed.map(&:id)).to eq []
    end
  end

  it "covers the trade's ids, every one on some equipment" do
    found = equipments.flat_map { |equipment| Fenbo::Diagnosis::Model.for(equipment).causes.map(&:id) }.uniq
    expect(Fenbo::Diagnosis::Cause.all.keys - found).to eq []
    expect(Fenbo::Diagnosis::Cause.all.size).to eq 36
    expect(Fenbo::Diagnosis::Test.all.size).to eq 41
  end

  # What it names is kept by the part of a set that bears on a test, and by motion alone where ice is not seen.
  it "names under a set what its own distribution says, in every state" do
    model = Fenbo::Diagnosis::Model.new(equipments[3])
    sets = model.sets.sample(60, random: Random.new(5))
    otherwise =
      model.tests.product(model.states.each_index.to_a, sets).reject do |test, m, set|
        wanted = model.distribution(test, m, set).zip(test.telling).map { |chance, telling|
          (1 - test.mistake - test.astray) * chance + test.astray * telling
        }
        model.named(test, m, set) == wanted
      end
    expect(otherwise).to eq []
  end

  it "keeps a picture a picture: each cause makes its own findings likelier than health does" do
    model = Fenbo::Diagnosis::Model.for(equipments[3])
    model.causes.each do |cause|
      findings = typical(model, cause)
      probability = ->(set) do
        model
          .state_of(set)
          .each_with_index
          .sum do |chance, m|
            chance *
              findings.inject(1.0) do |product, finding|
                test = Fenbo::Diagnosis::Test[finding["test"]]
                product * model.named(test, m, set)[test.outcomes.index(finding["outcome"])]
              end
          end
      end
      expect(probability[[model.place(cause)]]).to be > 5 * probability[[]], cause.id
    end
  end
end
