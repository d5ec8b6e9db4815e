# frozen_string_literal: true

require "app_helper"
require "capybara/rspec"
require "capybara/cuprite"

# Chromium without its windows does the same with a quarter less work. It forgets what it wrote to
# the disk, so that a spec of that takes the whole one.
WHOLE = "/usr/bin/chromium"
WINDOWLESS = ["/usr/bin/chromium-headless-shell", WHOLE].find { |path| File.exist?(path) }

# @param more [Hash] of the browser's own options
# @param driver [Class]
def cuprite(app, more: {}, driver: Capybara::Cuprite::Driver, path: WINDOWLESS, **options)
  quiet =
    %w[
      no-sandbox disable-gpu disable-quic no-first-run disable-background-networking disable-component-update
      disable-sync force-prefers-reduced-motion use-fake-ui-for-media-stream use-fake-device-for-media-stream
    ].to_h { |name| [name, nil] }
  driver.new(
    app,
    browser_path: path,
    headless: true,
    window_size: [1280, 800],
    timeout: 20,
    process_timeout: 40,
    browser_options: quiet.merge(more),
    js_errors: true,
    **options
  )
end

Capybara.register_driver(:chromium) { |app| cuprite(app) }
Capybara.app = Web.app
Capybara.server = :puma, {Silent: true, Threads: "1:5"}
Capybara.default_driver = :chromium
Capybara.javascript_driver = :chromium
# A busy machine takes its time over a page, and over reading a whole one for faults.
Capybara.default_max_wait_time = 30
# Asking a hundred times a second would keep what is waited for from being done.
Capybara.default_retry_interval = 0.04
Capybara.enable_aria_label = true

module Errands
  def sign_in_as(login)
    visit "/sign-in"
    fill_in "Sign-in name", with: login
    fill_in "Password", with: Demos::PASSWORD
    click_button "Sign in"
    expect(page).to have_css "h1", text: "Today and the next three days"
  end

  # The last thing the page told.
  def told(text) = expect(page).to(have_css("[data-told]", text:))

  def answer(test, label)
    unless page.has_css?(".ask input[name=test][value=#{test}]", visible: :all, wait: 0)
      visit "#{page.current_path}?test=#{test}"
    end
    within(".ask") { find("button.answer", text: label, match: :first).click }
    told(Fenbo::Diagnosis::Test[test].short)
  end

  # The number of the job in hand.
  def number = page.current_path[%r{/jobs/(\d+)}, 1].to_i

  # @param unit [String] its name
  def new_job(unit, complaint)
    visit "/jobs/new?unit=#{Unit.find_by!(name: unit).id}"
    fill_in "What the customer says", with: complaint
    click_button "Open the job"
    told "opened"
    number
  end

  def decide(job, cause, action, fan:, reason: "Seen and measured on site.")
    visit "/jobs/#{job}/decide?fan=#{fan}"
    select Fenbo::Diagnosis::Cause.label(cause), from: "The cause is"
    choose action
    fill_in "If you see it otherwise", with: reason
    find("button.btn-main", text: "Decide").click
    told "Decided"
  end

  def plan(job, **which)
    Fenbo::WorkPlan::Progress.of(JobSource.numbered(job), **which)
  end

  # One step after the other, as the page brings them, as far as `stop`.
  def work_through(job, stop: nil, **which)
    while (step = (told = plan(job, **which)).next_step) && step.id != stop
      expect(page).to have_css "#step-#{step.id}", text: step.text
      step.proof.each_index { |index| find(".proofpoint input[value=\"#{index}\"]").check }
      4.times { click_button "+ 1" } if step.fasteners
      fill_in "measured", with: (told.sought(step)&.value || 17).to_s if step.measure
      find(".stepkeys .btn-main").click
      expect(page).to have_no_css "#step-#{step.id}"
    end
  end

  def read_open_winding
    fill_in "A–B", with: "open"
    fill_in "To ground", with: "200"
    click_button "Keep reading"
  end

  # A stroke on the canvas with the mouse.
  def sign
    box =
      page.evaluate_script(
        "(() => { const c = document.querySelector('canvas'); c.scrollIntoView({block: 'center'}); const b = " \
        "c.getBoundingClientRect(); return [b.left, b.top, b.width, b.height] })()"
      )
    mouse = page.driver.browser.mouse
    mouse.move(x: box[0] + 40, y: box[1] + 90).down
    [[90, 40], [140, 110], [220, 50]].each { |x, y| mouse.move(x: box[0] + x, y: box[1] + y) }
    mouse.up
    expect(page.evaluate_script("document.querySelector('input[name=signature]').value")).to include "[["
  end

  # Paints columns of a frost map with the mouse, one stroke a row.
  def stroke(rows, columns)
    mouse = page.driver.browser.mouse
    rows.each do |row|
      mouse.move(**centre(row, columns.first)).down
      columns.each { |column| mouse.move(**centre(row, column)) }
      mouse.up
    end
  end

  def centre(row, column)
    x, y =
      page.evaluate_script(
        "(() => { const b = " \
          "document.querySelector('[data-cell=\"#{row}-#{column}\"]').getBoundingClientRect(); return [b.left " \
          "+ b.width / 2, b.top + b.height / 2] })()"
      )
    {x:, y:}
  end

  # Nothing reaches beyond the screen.
  def expect_no_overflow
    expect(page.evaluate_script("document.documentElement.scrollWidth <= window.innerWidth + 1")).to be true
  end

  # What axe finds serious or critical, one line each. Run by itself: the gem's own
  # matcher wants another driver.
  AXE =
    File.read(Dir[File.join(Gem.loaded_specs["axe-core-api"].full_gem_path, "node_modules/axe-core/axe.min.js")].first)

  # @param only [Array<String>, nil] names of rules; all where none are
  def axe_faults(only: nil)
    page.execute_script(AXE) unless page.evaluate_script("!!window.axe")
    options = {resultTypes: ["violations"], runOnly: only}.compact
    found =
      page.evaluate_async_script(
        "const done = arguments[1]; axe.run(document, arguments[0]).then(r => done(JSON.stringify(r.violations)))",
        options
      )
    JSON
      .parse(found)
      .select { |one| %w[serious critical].include?(one["impact"]) }
      .map { |one| "#{one["id"]}: #{one["nodes"].first(3).map { |node| axe_words(node) }.join(" | ")}" }
  end

  def axe_words(node)
    "#{node["html"][0, 140]} (#{node["failureSummary"].lines.last.strip[0, 160]})"
  end

  def phone = page.driver.resize(390, 844)

  def desk = page.driver.resize(1280, 800)
end

RSpec.configure do |config|
  config.define_derived_metadata(file_path: %r{/spec/browser/}) { |metadata| metadata[:door] = :browser }
  config.include Capybara::DSL, door: :browser
  config.include Errands, door: :browser
  # Many errands by the same few people: no more of them than of anybody in five minutes.
  config.before(:each, door: :browser) { ActiveRecord::Base.connection.execute("DELETE FROM throttles") }
  config.after(:each, door: :browser) { Capybara.reset_sessions! }
end
