# frozen_string_literal: true

RSpec.describe Fenbo::Sound::Recording do
  def record(kind, seed: 4, **conditions)
    FenboSimulation::Microphone.new(kind:, random: Random.new(seed), seconds: 5, **conditions).wav
  end

  def read(bytes, **more)
    described_class.call({"wav_bytes" => bytes}.merge(more.transform_keys(&:to_s)))
  end

  # The 16-bit samples of a recording in another coding.
  def recoded(bytes, bits:, float: false, channels: 1)
    samples = bytes[44..].unpack("s<*").map { |one| one / 32_768.0 }.flat_map { |one| [one] * channels }
    data =
      case [bits, float]
      when [8, false]
        samples.map { |one| (one * 128).round + 128 }.pack("C*")
      when [24, false]
        samples.map { |one| [(one * 8_388_608).round].pack("l<")[0, 3] }.join
      when [32, false]
        samples.map { |one| (one * 2_147_483_647).round }.pack("l<*")
      when [32, true]
        samples.pack("e*")
      else
        bytes[44..]
      end
    rate = bytes[24, 4].unpack1("V")
    [
      "RIFF",
      36 + data.bytesize,
      "WAVE",
      "fmt ",
      16,
      float ? 3 : 1,
      channels,
      rate,
      rate * channels * bits / 8,
      channels * bits / 8,
      bits,
      "data",
      data.bytesize
    ].pack("A4VA4A4VvvVVvvA4V") + data
  end

  %w[healthy bearing strike scrape hum chatter silent].each do |kind|
    it "hears #{kind}, the speed told or not" do
      bytes = record(kind, rpm: 1420, blades: 5, hertz: 50)
      expect(read(bytes, rpm: 1420, blades: 5, hertz: 50).verdict).to eq kind
      expect(read(bytes, hertz: 50).verdict).to eq kind
    end
  end

  it "hears an imbalance through a recorder that keeps the bass" do
    expect(read(record("imbalance", rpm: 1650, blades: 3), rpm: 1650, blades: 3).verdict).to eq "imbalance"
  end

  it "finds the speed of a fan by itself and says how sure it is" do
    figures = read(record("strike", rpm: 1275, blades: 4), blades: 4)[:figures]
    expect(figures[:rpm_estimate]).to be_within(15).of(1275)
    expect(figures[:blade_pass_hz]).to be_within(1.5).of(85)
    expect(figures[:rpm_confidence]).to be_between(0, 1)
  end

  it "reads every coding and rate, one channel or two, alike" do
    bytes = record("bearing", rate: 8000, rpm: 1100, blades: 4)
    verdicts =
      [
        bytes,
        recoded(bytes, bits: 8),
        recoded(bytes, bits: 24),
        recoded(bytes, bits: 32),
        recoded(bytes, bits: 32, float: true),
        recoded(bytes, bits: 24, channels: 2)
      ].map { |one| read(one, rpm: 1100, blades: 4).verdict }
    expect(verdicts.uniq).to eq ["bearing"]
  end

  it "calls a clipped recording unclear, and says why" do
    bytes = record("healthy")
    loud = bytes[0, 44] + bytes[44..].unpack("s<*").map { |one| (one * 30).clamp(-32_768, 32_767) }.pack("s<*")
    result = read(loud)
    expect([result.verdict, result.reasons.first.rule]).to eq %w[unclear sound.clipped]
  end

  it "says what is wrong with a file that is none, or too short" do
    bytes = record("healthy")
    short = recoded(bytes[0, 44 + 16_000 * 2], bits: 16)
    {
      "" => /empty/,
      "hello" => /not a WAV/,
      bytes[0, 44] => /no sound/,
      short => /takes 2 s/,
      bytes.dup.tap { |one| one[20, 2] = [85].pack("v") } => /coded/
    }.each do |one, message|
      refusal = read(one)
      expect(refusal).to be_refused
      expect(refusal.at("wav")).to match(message)
    end
    expect(
      described_class.call({"wav" => "/nowhere.wav", "rpm" => 0, "blades" => 1.5}).faults.map(&:field)
    ).to contain_exactly("wav", "rpm", "blades")
    expect(described_class.call({}).faults.map(&:field)).to eq ["wav"]
  end
end
