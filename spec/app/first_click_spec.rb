# frozen_string_literal: true

require "open3"
require_relative "app_spec_helper"

# A process that has just started, as bin/start starts it: the first form is as good as the
# thousandth.
RSpec.describe "the first click after a start" do
  def fresh(code)
    environment = {"RACK_ENV" => "production", "DATABASE_URL" => ENV["DATABASE_URL"]}
    said, status = Open3.capture2e(environment, "ruby", "-rbundler/setup", "-e", "require './app/boot'; #{code}")
    [status.success?, said]
  end

  it "reads every form, with every constant it needs" do
    forms = Dir["app/**/*form.rb"].size
    code = <<~RUBY
      user = User.new(unit_system: "si")
      Units::Form.new(Unit.new, {"name" => "x", "refrigerant" => "R-1"}, user).save
      Customers::Form.new(Customer.new, {"name" => ""}).save
      Stations::Call::Form.new({"complaint" => ""}, user).save(nil)
      Settings::ShopForm.new({"limits" => {"amps.none" => "9"}}).save
      Settings::ProfileForm.new(user, {}).save
      Stations::HandOver::Form.new({"signature" => "x"}).read
      PriceLists::Form.new({"csv" => "x"}).save
      Week::MoveForm.new({"at" => "x"}).read
      Clocks::Form.new({"readings" => "x"}, limits: Setting.limits).entry(id: nil)
      Stations::HandOver::BundleForm.new({"from" => "x"}).read
      puts "read"
    RUBY
    expect(fresh(code)).to eq [true, "read\n"]
    expect(forms).to be >= 8
  end

  it "leaves no file of the core to be loaded by somebody's first press" do
    code = <<~'RUBY'
      waiting = []
      walk = ->(mod) do
        mod.constants(false).each do |name|
          next waiting << "#{mod}::#{name}" if mod.autoload?(name)
          one = mod.const_get(name)
          walk[one] if one.is_a?(Module) && one.name.to_s.start_with?("#{mod}::")
        end
      end
      walk[Fenbo]
      puts waiting.sort
    RUBY
    expect(fresh(code)).to eq [true, "Fenbo::KnowledgeCheck\nFenbo::Tools::Command\n"]
  end
end
