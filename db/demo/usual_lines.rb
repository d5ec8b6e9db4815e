# frozen_string_literal: true

module Demo
  # The makers' usual lines (usual.yml), every line in each of its sizes.
  class UsualLines
    FILE = File.join(__dir__, "usual.yml")
    # How either way round is written in a blade's number.
    SIDES = {"cw" => "R", "ccw" => "L"}.freeze

    def motors = sized(:motors) { |line| made(line) }

    def kits = sized(:kits) { |line| made({**line, **kit}) }

    def blades
      sized(:blades) { |line| SIDES.map { |rotation, side| blade(rotation:, side:, **line) } }.flatten
    end

    # What every kit is, its words for the fitter included.
    def kit = file[:kit]

    private

    def file = @file ||= YAML.safe_load_file(FILE, symbolize_names: true)

    def sized(kind)
      file.fetch(kind).flat_map do |group|
        whole = {**group.slice(:family), **group.fetch(:all, {})}
        group[:sizes].product(group[:lines]).map { |size, line| yield({**whole, **size, **line}) }
      end
    end

    def made(line)
      number = format(line[:part_no], **line)
      maker, family, output = line.values_at(:maker, :family, :output)
      MotorRow.of(number, maker, family, output, **line.except(:part_no, :maker, :family, :output, :code))
    end

    def blade(part_no:, maker:, diameter:, pitch:, side:, less_pitch: 0, **more)
      BladeMaker.blade(format(part_no, diameter:, pitch:, side:), maker, diameter, pitch - less_pitch, **more)
    end
  end
end
