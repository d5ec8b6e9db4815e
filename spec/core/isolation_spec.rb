# frozen_string_literal: true

require "open3"
require "rbconfig"

RSpec.describe "the core alone" do
  it "answers each example without the web, the database or a gem, but for the transforms of sound" do
    script = <<~RUBY
      require "fenbo"
      Fenbo::Tools.names.each { |name| abort name if Fenbo.call(name, Fenbo::Tools.entry(name).example).refused? }
      gem = $LOADED_FEATURES.grep(%r{/gems/[^/]+/lib}).grep_v(%r{/numo-}).first
      print [defined?(Sinatra), defined?(ActiveRecord), gem].inspect
    RUBY
    out, status =
      Open3.capture2e(
        {"RUBYOPT" => nil},
        RbConfig.ruby,
        "--disable-gems",
        "-I",
        File.expand_path("../../lib", __dir__),
        "-e",
        script
      )
    expect(status).to be_success, out
    expect(out).to eq "[nil, nil, nil]"
  end
end
