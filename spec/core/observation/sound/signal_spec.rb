# frozen_string_literal: true

# What is made of samples before anything is judged: lines, levels, turns, files.
RSpec.describe Fenbo::Sound do
  before(:all) { Fenbo::Sound.numo! }

  rate = 16_000
  let(:time) { Numo::DFloat.new(rate * 4).seq / rate }
  let(:hiss) { Numo::NArray.srand(3).then { Numo::DFloat.new(rate * 4).rand_norm } * 0.01 }

  def sine(hertz, level = 1.0)
    Numo::NMath.sin(time * (2 * Math::PI * hertz)) * level
  end

  describe Fenbo::Sound::Spectrum do
    def spectrum(samples) = described_class.of(samples, 16_000, resolution: 1)

    it "finds lines where they are, in the order of their power" do
      found = spectrum(sine(120) + sine(301, 0.3) + hiss)
      expect(found.peaks(50, 900, most: 2).map { |hz, _| hz.round }).to eq [120, 301]
      expect(found.prominence(120)).to be > 40
      expect(found.prominence(200).abs).to be < 8
      expect(found.line(120)).to be_within(0.05).of(found.between(100, 140))
    end

    it "keeps the power of a sine, whatever its frequency" do
      powers = [60, 233.3, 1900].map { |hz| spectrum(sine(hz)).then { |one| one.between(0, one.top) * one.step } }
      expect(powers).to all be_within(0.001).of(0.25)
    end

    it "says nothing of what lies at its edges" do
      expect(spectrum(hiss).prominence(0)).to eq 0.0
      expect(spectrum(hiss).prominence(8_000)).to eq 0.0
      expect(spectrum(hiss).line(90_000)).to eq 0.0
    end
  end

  describe Fenbo::Sound::Envelope do
    it "tells noise from blows by how peaked it is" do
      blows = hiss.dup
      (0...40).each { |k| blows[k * 1600...k * 1600 + 12] += 1.0 }
      expect(described_class.of(hiss, rate).kurtosis).to be_within(0.3).of(3)
      expect(described_class.of(blows, rate).kurtosis).to be > 12
      expect(described_class.of(blows, rate).crest).to be > described_class.of(hiss, rate).crest
    end

    it "hears how far a high sound swells, and at what rate" do
      swelling = described_class.of(sine(4_000) * (1 + sine(21, 0.4)), rate)
      expect(swelling.swing(21)).to be_within(0.03).of(0.4)
      expect(swelling.swing(33)).to be < 0.05
      expect(swelling.spectrum.peaks(5, 100, most: 1).first.first).to be_within(0.6).of(21)
    end

    it "is not led astray by silence" do
      silent = described_class.of(Numo::DFloat.zeros(rate * 2), rate)
      expect([silent.kurtosis, silent.crest, silent.swing(20)]).to all be_finite
    end
  end

  describe Fenbo::Sound::Speed do
    def fan(shaft, blades)
      [1, 2, 3].sum { |k| sine(shaft * blades * k, 0.5 / k) } + sine(shaft, 0.2) + hiss
    end

    def speed(samples, rpm: nil, blades: nil, hertz: 50)
      described_class.new(
        Fenbo::Sound::Spectrum.of(samples, 16_000, resolution: 1),
        Fenbo::Sound::Envelope.of(samples, 16_000).spectrum, rpm:, blades:, hertz:
      )
    end

    it "finds shaft rate and blades of a comb, and makes a given speed exact" do
      found = speed(fan(23.4, 5), blades: 5)
      expect(found.rpm).to be_within(12).of(23.4 * 60)
      expect(found.blade_pass_hz).to be_within(1).of(117)
      expect(speed(fan(23.4, 5), rpm: 1430, blades: 5).rpm).to be_within(8).of(1404)
    end

    it "does not take the hum of the line for a fan, and does not say what it does not know" do
      expect(speed(sine(100) + sine(200, 0.5) + hiss, blades: 4)).not_to be_known
      expect(speed(hiss).confidence).to be < 0.5
    end
  end

  describe Fenbo::Sound::Wav do
    def wav(data, rate: 16_000, bits: 16, code: 1, channels: 1)
      format = [code, channels, rate, rate * channels * bits / 8, channels * bits / 8, bits].pack("vvVVvv")
      "RIFF#{[0].pack("V")}WAVEfmt #{[16].pack("V")}#{format}data#{[data.bytesize].pack("V")}#{data}".b
    end

    it "reads what there is of a file cut short, and averages channels" do
      samples = [1000, 3000, -2000, -4000].pack("s<*")
      expect(described_class.parse(wav(samples, channels: 2)).samples.to_a).to eq [2000 / 32_768.0, -3000 / 32_768.0]
      expect(described_class.parse(wav(samples)[0..-4]).samples.size).to eq 2
    end

    {
      "nothing" => "", "another kind of file" => "%PDF-1.7 and so on", "no format" => "RIFF0000WAVEdata".b,
      "a rate too low" => [:wav, {rate: 4000}], "odd bits" => [:wav, {bits: 12}], "a coding" => [:wav, {code: 17}],
      "no channel" => [:wav, {channels: 0}], "no numbers" => [:float, {}]
    }.each do |name, (kind, more)|
      it "says in words why it cannot read #{name}" do
        bytes = {wav: -> { wav([1, 2, 3, 4].pack("s<*"), **more) },
                 float: -> { wav([Float::NAN, 1.0].pack("e*"), bits: 32, code: 3) }}.fetch(kind, -> { kind.to_s }).call
        expect { described_class.parse(bytes) }.to raise_error(Fenbo::Sound::Wav::Unreadable, /\A(is|has|holds) /)
      end
    end
  end

  describe Fenbo::Sound::Classifier do
    def heard(kind, **more)
      bytes = FenboSimulation::Microphone.new(
        kind:, random: Random.new(8), seconds: 5, rpm: 1500 - 80, blades: 5, **more
      ).wav
      asked = Fenbo::Input.new({"wav_bytes" => bytes, "rpm" => 1420, "blades" => 5, "hertz" => 50})
      question = Fenbo::Sound::Recording.read(asked, Fenbo::Limits.default)
      Fenbo::Sound::Recording.new(question, Fenbo::Limits.default).classifier
    end

    it "gives every kind a share of one, heaviest first" do
      %w[healthy bearing hum].each do |kind|
        weights = heard(kind).weights
        expect(weights.sum(&:last)).to be_within(0.05).of(1)
        expect(weights.map(&:last)).to eq weights.map(&:last).sort.reverse
        expect(weights.first.first).to eq kind
      end
    end

    it "measures what sets each kind apart" do
      healthy, hum, bearing, strike, scrape = %w[healthy hum bearing strike scrape].map { |kind| heard(kind) }
      expect(hum.hum_share).to be > 3 * healthy.hum_share
      expect(bearing.stranger.last).to be > healthy.stranger.last + 6
      expect(strike.comb.count { |db| db > 8 }).to be > healthy.comb.count { |db| db > 8 }
      expect(scrape.swing).to be > 2 * healthy.swing
    end
  end
end
