# frozen_string_literal: true

module FenboSimulation
  # A recording of one fan as a phone would make it: what the fan does, what stands
  # round it, and what the recorder makes of both. It knows nothing of how a sound is
  # read.
  #
  #   wav = Microphone.new(kind: "bearing", rpm: 1550, blades: 4, random: Random.new(1)).wav
  class Microphone
    KINDS = %w[healthy bearing strike scrape imbalance hum chatter silent].freeze
    BACKGROUNDS = %w[room compressor other_fans wind].freeze
    RECORDERS = {
      "phone" => {
        high_pass: 90.0,
        floor: 2e-4
      },
      "flat" => {
        high_pass: 12.0,
        floor: 5e-5
      },
      "cheap" => {
        high_pass: 140.0,
        floor: 8e-4
      }
    }.freeze
    LEVEL = 0.09
    FLOOR_ONLY = 0.0

    # @param kind [String] one of KINDS
    # @param snr_db [Float] the fan's power over the background's
    # @param background [Array<String>] of BACKGROUNDS
    def initialize(
      kind:,
      random:,
      rpm: 1550,
      blades: 4,
      hertz: 50,
      seconds: 10,
      rate: 16_000,
      snr_db: 20,
      background: ["room"],
      recorder: "flat"
    )
      Fenbo::Sound.numo!
      @kind, @random, @hertz, @seconds, @rate = kind, random, hertz.to_f, seconds, rate
      @shaft = rpm / 60.0
      @blades = blades
      @snr_db = snr_db
      @background = background
      @recorder = RECORDERS.fetch(recorder)
      Numo::NArray.srand(random.rand(2**31))
      @time = Numo::DFloat.new((seconds * rate).to_i).seq / rate
    end

    # @return [Numo::DFloat] −1 to 1
    def samples
      fan = send(@kind)
      own = Math.sqrt((fan**2).mean)
      fan *= LEVEL / own if own.positive?
      around = surroundings
      loud = Math.sqrt((around**2).mean)
      target = (own.positive? ? LEVEL : 0.01) * 10**(-@snr_db / 20.0)
      mix = fan + around * ((@kind == "silent") ? FLOOR_ONLY : target / [loud, 1e-12].max)
      recorded(mix)
    end

    # 16-bit PCM, one channel.
    def wav
      data = (samples.clip(-1, 1) * 32_767).round.cast_to(Numo::Int16).to_binary
      ["RIFF", 36 + data.bytesize, "WAVE", "fmt ", 16, 1, 1, @rate, @rate * 2, 2, 16, "data", data.bytesize].pack(
        "A4VA4A4VvvVVvvA4V"
      ) + data
    end

    private

    def sine(hertz, phase = 2 * Math::PI * @random.rand)
      Numo::NMath.sin(@time * (2 * Math::PI * hertz) + phase)
    end

    def noise = Numo::DFloat.new(@time.size).rand_norm

    # Noise between two frequencies, by way of the spectrum.
    def band_noise(low, high, slope: 0.0)
      spectrum = Numo::Pocketfft.rfft(noise)
      hertz = Numo::DFloat.new(spectrum.size).seq * @rate.fdiv(@time.size)
      gain = ((hertz >= low) & (hertz <= high)).cast_to(Numo::DFloat) * ((hertz + 20)**slope)
      Numo::Pocketfft.irfft(spectrum * gain)[0...@time.size].then do |band|
        band / [Math.sqrt((band**2).mean), 1e-12].max
      end
    end

    def between(low, high) = low + (high - low) * @random.rand

    # Turbulence, blade pass with its multiples, a little of the shaft.
    def healthy(pass: between(0.5, 1.2), shaft: between(0.02, 0.1))
      tones = (1..4).sum { |k| sine(@shaft * @blades * k) * (pass / k**1.4) } + sine(@shaft) * shaft
      tones + band_noise(60, [4500, @rate * 0.45].min, slope: -0.75) * between(0.6, 1.1) +
        sine(2 * @hertz) * between(0.02, 0.12)
    end

    def imbalance
      healthy(pass: between(0.25, 0.6), shaft: between(1.2, 2.2)) + sine(2 * @shaft) * between(0.1, 0.3)
    end

    # A ringing blow at each of the given moments.
    def blows(moments, ring:, decay:, sizes:)
      length = (decay * 7 * @rate).to_i
      shape =
        Numo::NMath.exp(Numo::DFloat.new(length).seq / (-decay * @rate)) *
        Numo::NMath.sin(Numo::DFloat.new(length).seq * (2 * Math::PI * ring / @rate))
      out = Numo::DFloat.zeros(@time.size)
      moments.each_with_index do |moment, index|
        at = (moment * @rate).round
        last = [at + length, @time.size].min
        out[at...last] += shape[0...last - at] * sizes[index % sizes.size] if at >= 0 && last > at
      end
      out
    end

    def moments(hertz, jitter: 0.0)
      period = 1.0 / hertz
      (0..(@seconds * hertz).floor).map { |k| (k + 0.3) * period + jitter * period * (2 * @random.rand - 1) }
    end

    # Rolling elements over a flaw: blows at no whole multiple of the shaft, a little
    # uneven, swelling once a turn; and a rough high band.
    def bearing
      rate =
        @shaft * [between(2.7, 2.9), between(3.4, 3.7), between(4.3, 4.7), between(5.3, 5.7)].sample(random: @random)
      times = moments(rate, jitter: 0.012)
      sizes = times.map { |moment| between(0.6, 1.4) * (1 + 0.4 * Math.sin(2 * Math::PI * @shaft * moment)) }
      hits = blows(times, ring: between(2600, [5200, @rate * 0.42].min), decay: between(0.0008, 0.002), sizes:)
      healthy + hits * between(3.0, 5.5) + band_noise(2000, @rate * 0.45) * between(0.1, 0.25)
    end

    # One blade, or every blade, touches something once a turn.
    def strike
      every = @random.rand < 0.3
      times = moments(every ? @shaft * @blades : @shaft, jitter: 0.002)
      hits =
        blows(
          times,
          ring: between(2200, [4800, @rate * 0.42].min),
          decay: between(0.0015, 0.004),
          sizes: Array.new(every ? @blades : 1) { between(0.8, 1.2) }
        )
      healthy + hits * between(4.5, 8)
    end

    def scrape
      swing = (1 + Numo::NMath.cos(@time * (2 * Math::PI * @shaft))) / 2
      healthy + band_noise(1800, @rate * 0.45) * (swing**between(1, 2)) * between(0.9, 1.6)
    end

    def hum
      (1..5).sum { |k| sine(2 * @hertz * k) * between(0.3, 1.0) / k } + band_noise(60, 3000, slope: -0.75) * 0.05
    end

    def chatter
      hits =
        blows(
          moments(2 * @hertz, jitter: 0.01),
          ring: between(2300, 3400),
          decay: between(0.0006, 0.0012),
          sizes: [1.0, 0.75, 1.1, 0.9]
        )
      hum * 0.25 + hits * between(3, 5)
    end

    def silent = Numo::DFloat.zeros(@time.size)

    def surroundings = @background.map { |name| send(:"around_#{name}") }.sum

    def around_room = band_noise(40, @rate * 0.45, slope: -0.8)

    def around_compressor
      (1..6).sum { |k| sine((@hertz * 0.97) * k) / k } * 0.8 + band_noise(80, 2500, slope: -0.6) * 0.5
    end

    def around_other_fans
      shaft = @shaft * [between(0.78, 0.93), between(1.07, 1.25)].sample(random: @random)
      (1..3).sum { |k| sine(shaft * (@blades + 1) * k) / k } * 0.7 + band_noise(60, 4000, slope: -0.7) * 0.6
    end

    def around_wind = band_noise(10, 160, slope: -1.2) * 1.2

    # The recorder hears no deep bass and has a floor of its own.
    def recorded(mix)
      spectrum = Numo::Pocketfft.rfft(mix)
      hertz = Numo::DFloat.new(spectrum.size).seq * @rate.fdiv(@time.size)
      ratio = (hertz / @recorder[:high_pass])**2
      Numo::Pocketfft.irfft(spectrum * (ratio / (1 + ratio)))[0...@time.size] + noise * @recorder[:floor]
    end
  end
end
