# frozen_string_literal: true

RSpec.describe Fenbo::Frost::Reading do
  let(:zones) do
    [[0, 3], [4, 7], [8, 11]].each_with_index.map do |columns, index|
      {"position" => "evaporator-#{index + 1}", "columns" => columns, "running" => index != 1}
    end
  end

  # A coil of 6 rows and 12 columns, each cell from the block.
  def frost(feed_end: "left", fans: zones, **more)
    grid = Array.new(6) { |row| Array.new(12) { |column| yield(row, column) } }
    described_class.call(
      {"grid" => grid, "feed_end" => feed_end, "fans" => fans, "ring" => false}.merge(more.transform_keys(&:to_s))
    )
  end

  it "answers the contract's example in its features" do
    result =
      described_class.call(
        {
          "grid" => [[0, 0, 1], [0, 1, 2]],
          "feed_end" => "left",
          "fans" => [{"position" => "evaporator-1", "columns" => [0, 2], "running" => true}],
          "ring" => false
        }
      )
    expect(result[:features]).to eq(
      coverage: 0.5,
      blockage: 0.0,
      mean: 0.67,
      evenness: 0.63,
      feed_bias: -1.5,
      bottom_bias: 0.67,
      zones: [{position: "evaporator-1", contrast: nil}]
    )
    expect(result[:signatures].sum { |one| one[:weight] }).to be_within(0.002).of(1)
  end

  {
    "clear" => ->(_row, _column) { 0 },
    "even_light" => ->(row, column) { ((row + column) % 5 == 0) ? 2 : 1 },
    "even_blocked" => ->(row, column) { ((row * column) % 4 == 0) ? 4 : 3 },
    "feed_end_only" => ->(_row, column) { [3, 3, 2, 2, 1, 1, 0, 0, 0, 0, 0, 0][column] },
    "bottom_ice" => ->(row, _column) { [0, 0, 1, 1, 3, 4][row] },
    "behind_one_fan" => ->(_row, column) { column.between?(4, 7) ? 3 : 1 }
  }.each do |signature, cells|
    it "reads #{signature}, and no single mis-tap changes its mind" do
      expect(frost(&cells).verdict).to eq signature
      random = Random.new(5)
      40.times do
        y, x = random.rand(6), random.rand(12)
        tapped = frost { |row, column| ([row, column] == [y, x]) ? random.rand(0..4) : cells[row, column] }
        expect(tapped.verdict).to eq(signature), "cell #{y}, #{x}"
      end
    end
  end

  it "says a map between two pictures lies between them" do
    both = frost { |row, column| column.between?(4, 7) ? 3 : [0, 0, 0, 1, 3, 4][row] }
    weights = both[:signatures].to_h { |one| one.values_at(:id, :weight) }
    expect(weights.keys).to include "behind_one_fan", "bottom_ice"
    expect(both.reasons.map(&:rule)).to include "frost.between"
  end

  it "lets a stopped fan explain its own frost, and takes ring, door and blindness from their flags" do
    expect(frost { |_row, column| column.between?(4, 7) ? 3 : 1 }.reasons.first.text).to include "stands still"
    expect(frost(ring: true) { 1 }[:signatures].map { |one| one[:id] }).to include "fan_ring_ice"
    expect(frost(door: "right") { |_row, column| (column > 7) ? 3 : 0 }.verdict).to eq "near_door"
    expect(frost(visible: false) { 1 }.verdict).to eq "not_visible"
  end

  it "mirrors with its feed end" do
    left = frost { |_row, column| [4, 3, 3, 2, 1, 1, 0, 0, 0, 0, 0, 0][column] }
    right = frost(feed_end: "right") { |_row, column| [4, 3, 3, 2, 1, 1, 0, 0, 0, 0, 0, 0][11 - column] }
    expect(left[:features].except(:zones)).to eq right[:features].except(:zones)
  end

  it "names every wrong field at once" do
    refusal =
      described_class.call(
        {
          "grid" => [[0, 1], [5, "x"], [1]],
          "feed_end" => "up",
          "fans" => [{"position" => "a", "columns" => [3, 1]}, {"columns" => [0, 9]}]
        }
      )
    expect(refusal.faults.map(&:field)).to contain_exactly(
      "grid.1.0", "grid.1.1", "grid.2", "feed_end", "fans.0.columns", "fans.1.position", "fans.1.columns"
    )
    expect(described_class.call({"grid" => [], "feed_end" => "left"}).faults.map(&:field)).to eq ["grid"]
  end

  it "feeds diagnose with its weights, which move a verdict less than a sure answer does" do
    chance =
      lambda do |finding|
        result =
          Fenbo.call(
            "diagnose",
            {
              "unit" => {
                "family" => "walk_in_cooler",
                "fans" => [{"position" => "evaporator-1", "motor" => {"family" => "psc"}}]
              },
              "position" => "evaporator-1",
              "findings" => [finding].compact
            }
          )
        result[:causes].find { |one| one[:id] == "drain_blocked" }&.probability || 0
      end
    half =
      chance[
        {
          "test" => "frost_pattern",
          "outcome" => "bottom_ice",
          "weights" => {
            "bottom_ice" => 0.5,
            "even_light" => 0.5
          }
        }
      ]
    expect(half).to be_between(chance[nil], chance[{"test" => "frost_pattern", "outcome" => "bottom_ice"}]).exclusive
  end

  describe "a sign that something is wrong" do
    def verdict(grid, **more)
      fans = [{"position" => "evaporator-1", "columns" => [0, 3], "running" => true},
        {"position" => "evaporator-2", "columns" => [4, 7], "running" => true}]
      described_class.call({"grid" => grid, "feed_end" => "left",
                            "fans" => fans}.merge(more.transform_keys(&:to_s))).verdict
    end

    let(:even) { Array.new(6) { Array.new(8, 1) } }

    it "outranks a coil that is thin and even, or clear, however well the rest looks" do
      expect(verdict(even)).to eq "even_light"
      expect(verdict(even, ring: true)).to eq "fan_ring_ice"
      expect(verdict(Array.new(6) { Array.new(8, 0) }, ring: true)).to eq "fan_ring_ice"
      expect(verdict(even[0..3] + [[3] * 8] * 2)).to eq "bottom_ice"
    end

    it "is no mis-tapped cell" do
      grid = even.map(&:dup)
      grid[5][3] = 2
      expect(verdict(grid)).to eq "even_light"
    end
  end
end
