# frozen_string_literal: true

# The parts of a verdict by themselves: what neighbours say, what may be tested and what
# that costs, what does not fit.
RSpec.describe Fenbo::Diagnosis do
  limits = Fenbo::Limits.default

  define_method(:case_file) do |*findings, motor: "psc", fans: 3, state: "L", contactors: nil|
    family, side = "walk_in_cooler", "evaporator"
    rows = findings.map { |line| %w[test outcome position].zip(line.split).to_h.compact }
    Fenbo::Diagnosis::CaseFile.read(
      Fenbo::Input.new(
        {
          "unit" => {
            "family" => family,
            "contactors" => contactors,
            "fans" => (1..fans).map { |one| {"position" => "#{side}-#{one}", "motor" => {"family" => motor}} }
          },
          "position" => "#{side}-1", "state" => state, "context" => {"side" => side}, "findings" => rows
        }
      ), limits
    )
  end
  define_method(:model) { |file| Fenbo::Diagnosis::Model.for(file.equipment) }
  define_method(:posterior) { |file| Fenbo::Diagnosis::Posterior.of(file, model(file)) }
  define_method(:test_of) { |id| Fenbo::Diagnosis::Test[id] }

  describe Fenbo::Diagnosis::Neighbours do
    define_method(:factor) do |file, *causes|
      one = model(file)
      described_class.of(file, one).factor(causes.map { |id| one.place(Fenbo::Diagnosis::Cause[id]) }.sort)
    end

    it "changes nothing while nobody looked at them" do
      expect(factor(case_file("fan_motion stopped"), "winding_open")).to eq 1.0
    end

    it "speaks for what reaches them all when they stand, against it when they run" do
      stand = case_file("fan_motion stopped evaporator-2", "fan_motion stopped evaporator-3")
      run = case_file("fan_motion normal evaporator-2", "fan_motion normal evaporator-3")
      expect(factor(stand, "no_supply")).to be > 5 * factor(stand, "winding_open")
      expect(factor(run, "no_supply")).to be < factor(run, "winding_open") / 5
    end

    it "lets a neighbour speak of this fan's contactor only where they share it" do
      run = ->(contactors) {
        case_file("fan_motion normal evaporator-2", "fan_motion normal evaporator-3", contactors:)
      }
      own, shared, unknown = %w[own shared].push(nil).map { |one| factor(run[one], "contactor_failed") }
      expect(own).to be_within(1e-9).of(factor(run["own"], "winding_open"))
      expect([shared, unknown, own]).to eq [shared, unknown, own].sort
      expect(shared).to be < own / 5
    end

    it "counts each of them, and two of a kind as one twice over" do
      one = case_file("fan_motion normal evaporator-2")
      two = case_file("fan_motion normal evaporator-2", "fan_motion normal evaporator-3")
      expect(factor(two, "winding_open")).to be_within(1e-9).of(factor(one, "winding_open")**2)
    end
  end

  describe Fenbo::Diagnosis::Offer do
    define_method(:offer) { |*findings, **more|
      case_file(*findings, **more).then { |file|
        described_class.new(file, file.equipment)
      }
    }

    it "adds the way to a test's state, and nothing where one is there" do
      spin = test_of("spin_by_hand")
      expect(offer(state: "D").minutes(spin)).to eq spin.minutes
      expect(offer(state: "L").minutes(spin)).to be > offer(state: "C").minutes(spin)
    end

    it "says in words why a test may not be done" do
      expect(offer("noise grinding").why_not(test_of("noise"))).to eq "answered already"
      expect(offer(fans: 1).why_not(test_of("amps_beside_neighbours"))).to include "neighbour"
      expect(offer(motor: "shaded_pole").why_not(test_of("capacitor"))).to be_a(String)
      expect(offer.why_not(test_of("noise"))).to be_nil
    end
  end

  describe Fenbo::Diagnosis::NextTests do
    define_method(:next_tests) { |file| Fenbo::Diagnosis::Diagnose.new(file, limits).next_tests }

    define_method(:proposals) { |*findings, **more|
      case_file(*findings, **more).then { |file|
        next_tests(file).list
      }
    }

    it "offers the best first, each with its outcomes' chances, and nothing that costs more than it saves" do
      list = proposals("fan_motion stopped")
      expect(list).not_to be_empty
      # A look where one stands may come before a change of state that is worth a little more.
      expect(list.chunk_while { |one, other|
        one.state == other.state
      }.flat_map { |group| group.map(&:gain).each_cons(2).to_a })
        .to all(satisfy { |one, other| one >= other })
      expect(list.map(&:gain)).to all be_positive
      list.each { |one| expect(one.outcomes.sum { |row| row[:chance] }).to be_within(0.03).of(1) }
      expect(list.map { |one| one.test.id }).not_to include "fan_motion"
    end

    it "names for each test that is withheld why it is" do
      file = case_file("fan_motion stopped", fans: 1)
      offered = next_tests(file).list.map(&:test)
      withheld = next_tests(file).withheld.to_h
      expect(withheld.keys & offered).to be_empty
      expect(withheld.values).to all be_a(String)
      expect(withheld.keys.map(&:id)).to include("fan_motion", "amps_beside_neighbours")
    end
  end

  describe Fenbo::Diagnosis::Contradictions do
    define_method(:contradictions) { |*findings|
      case_file(*findings).then { |file|
        described_class.new(file, posterior(file), limits).list
      }
    }

    it "keeps both answers to one question, and says so" do
      found = contradictions("noise grinding", "noise quiet_normal")
      expect(found.map { |one| one[:test] }).to include "noise"
      expect(found.first[:why]).to include "twice"
    end

    it "names the finding that does not fit, and what it would fit" do
      found = contradictions("fan_motion stopped", "noise hum_not_turning", "spin_by_hand seized", "amps none",
        "blade_state sound")
      odd = found.find { |one| one[:test] == "amps" }
      expect(odd).to include(outcome: "none")
      expect(Fenbo::Diagnosis::Cause.all.keys + [Fenbo::Diagnosis::HEALTHY]).to include odd[:would_fit]
    end

    it "finds none in a textbook picture" do
      expect(contradictions("fan_motion stopped", "noise hum_not_turning", "spin_by_hand seized",
        "amps locked")).to be_empty
    end
  end

  describe Fenbo::Diagnosis::Evidence do
    define_method(:evidence) { |*outcomes|
      described_class.of(outcomes.map { |one|
        Fenbo::Diagnosis::Finding.new(test_id: "noise", outcome: one, position: nil)
      })
    }

    it "is a chance of what was said under any truth, and adds up over all that could be said" do
      test = test_of("noise")
      test.outcomes.each_index do |truth|
        chances = test.outcomes.each_index.map { |k| (k == truth) ? 1.0 : 0.0 }
        said = test.outcomes.reject { |one| test.tells_nothing?(one) }.sum { |one| evidence(one).likelihood(chances) }
        expect(said).to be_within(1e-9).of(1) if test.telling[truth].positive?
      end
    end

    it "trusts the corrected answer more than the first" do
      certain = ->(outcome) { test_of("noise").outcomes.map { |one| (one == outcome) ? 1.0 : 0.0 } }
      twice = evidence("grinding", "quiet_normal")
      expect(twice.likelihood(certain["quiet_normal"])).to be > twice.likelihood(certain["grinding"])
    end
  end
end
