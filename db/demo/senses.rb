# frozen_string_literal: true

module Demo
  # Frost maps and recordings of the demo world, through time: painted and made by the
  # simulated microphone, read by the core, dated back.
  module Senses
    # Units whose coil was painted at each half-yearly look, with what it looked like:
    # rows from the top as words of levels.
    FROST = {
      "Cheese cellar 2" => {
        base: 1,
        zone: 1,
        grows: 0.35
      },
      "Sample store B" => {
        base: 1,
        zone: nil,
        grows: 0.45
      },
      "Sample store A" => {
        base: 1,
        zone: nil,
        grows: 0.1
      }
    }.freeze
    # A fan whose bearing could be heard coming: kinds by half-year, oldest first.
    SOUND = {
      ["Cheese cellar 2", "evaporator-3"] => %w[healthy healthy healthy healthy bearing bearing],
      ["Seed vault", "evaporator-1"] => %w[healthy healthy bearing]
    }.freeze

    module_function

    def paint(job, visit, technician, at, half)
      looks = FROST[job.unit.name] or return
      fans = job.unit.fan_positions.select { |position| position.side == "evaporator" }
      grid = Array.new(6) { |row| Array.new(fans.size * 4) { |column| level(looks, row, column, half) } }
      frost(job, visit, technician, at, fans, grid)
    end

    # Grows a little from look to look, more in one fan's zone, never the same twice.
    def level(looks, row, column, half)
      age = 6 - half
      zone = (looks[:zone] == column / 4) ? 0.4 * age : 0
      scatter = ((row * 7 + column * 5 + half * 3) % 5).zero? ? 1 : 0
      (looks[:base] + (looks[:grows] * age * (row / 6.0)) + zone + scatter * 0.6).round.clamp(0, 4)
    end

    def frost(job, visit, technician, at, fans, grid, ring: false, running: nil)
      columns = grid.first.size / fans.size
      question = {
        "grid" => grid,
        "feed_end" => "left",
        "ring" => ring,
        "visible" => true,
        "fans" =>
          fans.each_with_index.map do |position, index|
            {
              "position" => position.key,
              "columns" => [index * columns, (index + 1) * columns - 1],
              "running" => running ? running[index] : true
            }
          end
      }
      result = Fenbo.call(:frost, question)
      Reading.create!(
        client_id: SecureRandom.uuid,
        job:,
        visit:,
        fan_position: fans.first,
        user: technician,
        kind: "frost",
        phase: "before",
        typed: {},
        question:,
        result: result.as_json,
        verdict: result.verdict,
        taken_at: at
      )
    end

    def listen(job, visit, technician, at, half)
      SOUND.each do |(unit, key), kinds|
        next unless unit == job.unit.name
        kind = kinds[kinds.size - half] if half <= kinds.size
        record(job, visit, technician, at, job.unit.position(key), kind, seed: half) if kind
      end
    end

    def record(job, visit, technician, at, position, kind, seed:, rpm: 1310, blades: 5)
      bytes =
        FenboSimulation::Microphone.new(
          kind:,
          rpm:,
          blades:,
          hertz: 50,
          seconds: 6,
          rate: 16_000,
          snr_db: 18,
          background: %w[room compressor],
          recorder: "phone",
          random: Random.new(seed + position.id)
        ).wav
      asked = {"rpm" => rpm, "blades" => blades, "hertz" => 50}
      recording =
        Fenbo::Sound::Recording.new(
          Fenbo::Sound::Recording.read(Fenbo::Input.new(asked.merge("wav_bytes" => bytes)), Fenbo::Limits.default),
          Fenbo::Limits.default
        )
      file = SoundUploader.upload(StringIO.new(bytes), :store)
      answer = Fenbo::Tools.entry("sound").answer(recording.answer)
      Reading.create!(
        client_id: SecureRandom.uuid,
        job:,
        visit:,
        fan_position: position,
        user: technician,
        kind: "sound",
        phase: "before",
        typed: {},
        question: asked.merge("file" => file.data),
        result: answer.as_json.merge("curves" => Fenbo::Sound::Curves.of(recording).as_json),
        verdict: answer.verdict,
        taken_at: at
      )
    end
  end
end
