# frozen_string_literal: true

require "ripper"
require "set"

# The arrows between the rooms of the house: which constant of which room a file names,
# and whether it may. Read from the files alone; nothing is loaded.
#
#   Rooms.new(root).faults   #=> ["app/day/board.rb:12 uses Units::History: day may not use units"]
class Rooms
  # What a room may use besides itself. A station or another room stands under :room.
  MAY = {
    core: %i[],
    simulation: %i[core],
    records: %i[core],
    suppliers: %i[core simulation records],
    shared: %i[core simulation records suppliers],
    room: %i[core simulation records suppliers shared],
    # A phone, and what it brings back, come by the doors that everybody comes by.
    pocket: %i[core simulation records suppliers shared house],
    house: %i[core simulation records suppliers shared room pocket]
  }.freeze
  DEFINED = /^ *(?:class|autoload) :?([A-Z]\w*)(?!::)|^ *([A-Z]\w*) =/
  FRAMES = %w[ActiveRecord Sinatra Rack].freeze

  Use = Struct.new(:file, :line, :name, :from, :to)

  def initialize(root)
    @root = root
  end

  def faults
    uses
      .reject { |use| use.from == use.to || MAY.fetch(layer(use.from)).include?(layer(use.to)) }
      .map { |use| "#{use.file}:#{use.line} uses #{use.name}: #{use.from} may not use #{use.to}" }
  end

  # "day → core, records, shared", a line each.
  def arrows
    uses
      .reject { |use| use.from == use.to }
      .group_by(&:from)
      .sort
      .map { |from, rows| "#{from.ljust(20)} → #{rows.map(&:to).uniq.sort.join(", ")}" }
  end

  private

  def uses = @uses ||= files.flat_map { |file| uses_of(file) }

  def files
    Dir.chdir(@root) { Dir["app/**/*.{rb,erb}", "lib/**/*.rb"] }.sort
  end

  # "day", "stations/look", "records", "core"; "house" for the files at the door.
  def room_of(file)
    case file
    when %r{\Alib/fenbo_simulation} then "simulation"
    when %r{\Alib/} then "core"
    when %r{\Aapp/(stations/\w+)/}, %r{\Aapp/(\w+)/} then $1
    else "house"
    end
  end

  def layer(room)
    MAY.key?(room.to_sym) ? room.to_sym : :room
  end

  # Constant => room, as Zeitwerk finds them: rooms by their folder, records and the
  # house's own files by their plain names.
  def owners
    @owners ||=
      files.grep(%r{\Aapp/.*\.rb\z}).to_h { |file|
        room = room_of(file)
        own = %w[records house].include?(room) ? File.basename(file, ".rb") : room
        [camel(own), room]
      }.merge("Fenbo" => "core", "FenboSimulation" => "simulation")
  end

  # What a room names by itself, which goes before everything outside.
  def defined_in(room)
    @defined ||=
      files.grep(/\.rb\z/).group_by { |file| room_of(file) }.transform_values do |own|
        own.flat_map { |file| File.read(File.join(@root, file)).scan(DEFINED).flatten.compact }.to_set
      end
    @defined.fetch(room, Set.new)
  end

  def camel(path)
    path.split("/").map { |part| part.split("_").map(&:capitalize).join }.join("::")
  end

  def uses_of(file)
    text = File.read(File.join(@root, file))
    names = file.end_with?(".erb") ? names_in_template(text) : names_in_ruby(text)
    names.filter_map { |line, name| use_of(file, line, name) }
  end

  def use_of(file, line, name)
    from = room_of(file)
    first, second = name.split("::")
    return if defined_in(from).include?(first)
    to = owners["#{first}::#{second}"] || owners[first] || ((FRAMES.include?(first) && from == "core") ? "house" : nil)
    Use.new(file, line, name, from, to) if to
  end

  # Whole constant names with their line; what is defined here is not a use.
  def names_in_ruby(text)
    names = []
    tokens = Ripper.lex(text).reject { |token| token[1] == :on_sp }
    tokens.each_with_index do |((line, _), type, word), index|
      next unless type == :on_const
      before = index.zero? ? nil : tokens[index - 1]
      if before && before[2] == "::" && names.any? && chained?(tokens, index)
        names.last[1] << "::" << word
      elsif before.nil? || !%w[. &. class module].include?(before[2])
        names << [line, +word]
      end
    end
    names
  end

  def chained?(tokens, index) = index > 1 && tokens[index - 2][1] == :on_const

  def names_in_template(text)
    text.lines.each_with_index.flat_map do |line, index|
      line.scan(/<%.*?%>|<%.*|^.*?%>/).flat_map { |code| code.scan(/(?<![\w.:"])[A-Z]\w*(?:::[A-Z]\w*)*/) }
        .map { |name| [index + 1, name] }
    end
  end
end
