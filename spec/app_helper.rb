# frozen_string_literal: true

# What the app and browser specs share: the application on the test database, its
# schema fresh, the demo world loaded once.
require "spec_helper"
ENV["RACK_ENV"] = "test"
# The host that Rack::Test speaks to.
ENV["FENBO_HOSTS"] = "example.org"
abort "bin/test prepares the database these specs need." unless ENV["DATABASE_URL"]
require_relative "../app/boot"
require_relative "../script/lib/schema"
require_relative "../db/demo/world"
require "factory_bot"
require "rack/test"

BCrypt::Engine.cost = BCrypt::Engine::MIN_COST
Schema.migrate
# Work is done where it is asked for, but where a spec says otherwise.
Que::Job.run_synchronously = true
Demo::World.new(today: Date.today).load if User.none?
# They take their store as they are loaded: before a spec names another one.
[PhotoUploader, SoundUploader, ZipUploader].each(&:storages)

FactoryBot.define do
  factory :user do
    sequence(:login) { |n| "person#{n}" }
    name { "Person #{login}" }
    password { "a long enough word" }
    role { "technician" }
  end

  factory :customer do
    name { "Test customer" }
  end

  factory :site do
    customer
    name { "Test site" }
  end

  factory :unit do
    site
    sequence(:name) { |n| "Test unit #{n}" }
    family { "walk_in_cooler" }
    refrigerant { "R-448A" }
    setpoint_c { 3 }
    product { "the cheese" }
    product_limit_c { 8 }
    product_value_cents { 100_000 }
    drift_end_c { 14 }
    ambient_low_c { -5 }
    ambient_high_c { 20 }
    wet { true }

    transient { fans { 2 } }

    after(:create) do |unit, options|
      options.fans.times { |index| create(:fan_position, unit:, number: index + 1) }
      unit.reload
    end
  end

  factory :fan_position do
    unit
    side { "evaporator" }
    number { 1 }

    after(:create) { |position| create(:fitted_motor, fan_position: position) }
  end

  factory :fitted_motor do
    fan_position
    part_no { "BR-S12-230-L" }
    family { "shaded_pole" }
    volts { [230.0] }
    hertz { [50.0] }
    phases { 1 }
    amps { [0.43] }
    watts { 60 }
    rpm { 1300 }
    rotation { "ccw" }
    shaft_diameter_mm { 6.35 }
    blade_bore_mm { 6.35 }
    mount { "ring" }
    enclosure { "enclosed" }
    connector { "plug" }
    installed_on { Date.today - 1500 }
  end

  factory :job do
    unit
    complaint { "A fan has stopped." }
    opened_at { Time.now }
  end
end

# The application as a browser without scripts sees it: follows forms' tokens.
module AppHelpers
  include Rack::Test::Methods
  include FactoryBot::Syntax::Methods

  def app = @app ||= Web.app

  # A job's row as the job file, as it stands now.
  def file(job) = JobSource.numbered(job.number)

  def fan(job, key = "evaporator-1") = file(job).unit.fan(key)

  # A picture in one colour, whole by itself.
  # @param rows [Integer] that are really there
  def png(width = 8, height = 8, colour: "\xC0\x60\x20", rows: height)
    chunk = ->(kind, data) { [data.bytesize, kind, data, Zlib.crc32(kind + data)].pack("Na4a*N") }
    "\x89PNG\r\n\x1A\n".b + chunk["IHDR", [width, height, 8, 2, 0, 0, 0].pack("NNC5")] +
      chunk["IDAT", Zlib.deflate(("\0" + colour.b * width) * rows)] + chunk["IEND", ""]
  end

  def picture(bytes = png, name: "photo.png")
    Rack::Test::UploadedFile.new(StringIO.new(bytes), "image/png", true, original_filename: name)
  end

  # What the core says, as a drawing takes it; only what the drawing looks at is given.
  def answer(tool, **figures)
    shape = Fenbo::Tools.entry(tool).shape
    shape.from_json(
      Fenbo::Json.plain(shape.types.to_h { |name, type| [name, blank(type)] }.merge(reasons: [], **figures))
    )
  end

  def blank(type)
    type.optional? ? nil : {"string" => "", "number" => 0, "array" => []}[type.schema["type"]]
  end

  def sign_in(user)
    clear_cookies
    get "/sign-in"
    send_form "/sign-in", login: user.login, password: user.password || "a long enough word"
    @signed_in = user
  end

  def token = last_response.body[/name="csrf" content="([^"]+)"/, 1] || @token

  # Posts with the token of the last page that had one.
  def send_form(path, **fields)
    @token = token
    post path, {authenticity_token: @token}.merge(fields)
  end

  def page = last_response.body

  def status = last_response.status
end
