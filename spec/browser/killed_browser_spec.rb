# frozen_string_literal: true

require "tmpdir"
require_relative "without_signal"

# A phone whose browser is killed, and begins again with what lies on its disk.
RSpec.describe "a killed browser" do
  include_context "without signal"

  around do |example|
    @folder = Dir.mktmpdir
    example.run
  ensure
    Capybara.current_session.quit
    # It may still write while it ends.
    FileUtils.rm_rf(@folder)
  end

  # A browser on that disk, as often as it is asked for.
  def begin_browser
    name = :"phone_#{@begun = @begun.to_i + 1}"
    Capybara.register_driver(name) { |app|
      cuprite(app, path: WHOLE, incognito: false, more: {"user-data-dir" => @folder})
    }
    Capybara.current_driver = name
  end

  def kill_browser
    killed = page.driver.browser.process.pid
    Process.kill("KILL", killed)
    # The disk is its own until then.
    sleep 0.1 while File.exist?("/proc/#{killed}/exe")
    Capybara.current_session.quit
    FileUtils.rm_f(Dir[File.join(@folder, "Singleton*")])
  end

  it "begins without signal where it was, after the PIN, and brings back all once somebody has signed in again",
    slow: true do
    begin_browser
    job = taken_along
    NoSignal.here = true
    visit "/jobs/#{job}/look"
    answer "fan_motion", "Stands still"
    kill_browser

    begin_browser
    visit "/jobs/#{job}/look"
    open_with pin
    expect(page).to have_css "#pocket-band", text: "1 kept on this phone"
    expect(page).to have_text "after 1 finding"
    answer "noise", "Silent"
    visit "/"
    expect(page).to have_text "Cheese cellar 2"
    kill_browser
    # Too long for the session, which a browser need not keep over its death either.
    EndedSession.delete_all
    User.find_by!(login: "ilka").increment!(:session_version)

    NoSignal.here = false
    begin_browser
    sign_in_as("ilka")
    all_sent
    expect(Job.find_by!(number: job).findings.map { |one| [one.test, one.outcome] }).to eq [
      %w[fan_motion stopped], %w[noise silent]
    ]
  end
end
