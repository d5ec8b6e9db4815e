# frozen_string_literal: true

RSpec.describe Fenbo::Input do
  it "reads every kind of field and stays clean" do
    input =
      described_class.new(
        {
          "a" => {
            "n" => 1.5,
            "i" => 3,
            "t" => "x",
            "f" => false,
            "c" => "one",
            "l" => [1, 2],
            "o" => [{"n" => 1}]
          }
        }
      )
    inner = input.object("a")
    read = [
      inner.number("n"),
      inner.integer("i"),
      inner.text("t"),
      inner.flag("f"),
      inner.choice("c", %w[one two]),
      inner.numbers("l", sizes: [2]),
      inner.objects("o").map { |one| one.number("n") }
    ]
    expect(read).to eq [1.5, 3, "x", false, "one", [1, 2], [1]]
    expect(input).to be_clean
  end

  {
    "a text for a number" => [->(input) { input.number("x") }, "1.2", "x"],
    "a boolean for a number" => [->(input) { input.number("x") }, true, "x"],
    "not a number" => [->(input) { input.number("x") }, Float::NAN, "x"],
    "infinity" => [->(input) { input.number("x") }, Float::INFINITY, "x"],
    "nothing where something is needed" => [->(input) { input.number("x") }, nil, "x"],
    "a number below" => [->(input) { input.number("x", above: 0) }, 0, "x"],
    "a number beyond" => [->(input) { input.number("x", at_most: 5) }, 6, "x"],
    "a broken whole" => [->(input) { input.integer("x") }, 1.5, "x"],
    "an unknown word" => [->(input) { input.choice("x", %w[a]) }, "b", "x"],
    "a word for a flag" => [->(input) { input.flag("x") }, "yes", "x"],
    "a number for text" => [->(input) { input.text("x") }, 5, "x"],
    "blank text" => [->(input) { input.text("x") }, " ", "x"],
    "endless text" => [->(input) { input.text("x") }, "a" * 3000, "x"],
    "a list for an object" => [->(input) { input.object("x") }, [], "x"],
    "an object for a list" => [->(input) { input.numbers("x") }, {}, "x"],
    "a wrong member" => [->(input) { input.numbers("x") }, [1, "b"], "x.1"],
    "too few members" => [->(input) { input.numbers("x", sizes: [3]) }, [1], "x"],
    "an endless list" => [->(input) { input.list("x", at_most: 2) }, [1, 2, 3], "x"]
  }.each do |name, (read, value, field)|
    it "refuses #{name} at its field and reads nothing" do
      input = described_class.new({"x" => value})
      read.call(input)
      expect(input.refusal.faults.map(&:field)).to eq [field]
      expect(input.refusal.at(field)).to match(/\A(must|is|needs|has) /)
    end
  end

  it "names nested fields by their whole path and ignores what it was not asked for" do
    input = described_class.new({"a" => {"list" => [{"n" => 1, "extra" => "?"}, {"n" => -1}]}, "more" => 1})
    input.object("a").objects("list").each { |one| one.number("n", at_least: 0) }
    expect(input.refusal.to_h).to eq(errors: [{field: "a.list.1.n", message: "must be at least 0"}])
  end
end
