# frozen_string_literal: true

require_relative "browser_helper"

# A hotel between the phone and Fenbo: it answers everything with a page of its own, as long as
# it stands there.
class NoSignal
  class << self
    attr_accessor :here
  end

  def initialize(app)
    @app = app
  end

  def call(env)
    return @app.call(env) unless self.class.here
    [200, {"content-type" => "text/html"}, ["<h1>Welcome to the hotel</h1>"]]
  end
end

# What a phone fetched once a release stays from one spec to the next, with its Ruby begun: to
# bring that anew takes longer than most of what is tried. Whatever is somebody's goes.
class KeptPhone < Capybara::Cuprite::Driver
  SOMEBODYS = "cookies,local_storage,indexeddb"

  def reset!
    return unless @browser
    # First the pages go, that none of them is told of its storage being cleared.
    used = browser.window_handles
    browser.switch_to_window(open_new_window.target_id)
    used.each { |window| browser.close_window(window) }
    browser.page.command("Storage.clearDataForOrigin", storageTypes: SOMEBODYS,
      origin: Capybara.current_session.server.base_url)
  end
end

# Once and for all: another application would be another browser at another address.
Capybara.app = NoSignal.new(Capybara.app)
Capybara.register_driver(:phone) { |app| cuprite(app, driver: KeptPhone) }

# Specs of a phone that took a job along.
RSpec.shared_context "without signal" do
  around do |example|
    Capybara.current_driver = :phone
    example.run
  ensure
    NoSignal.here = false
    Capybara.use_default_driver
  end

  let(:pin) { "cold 4711" }

  def choose_pin
    fill_in "pin", with: pin
    fill_in "again", with: pin
    click_button "Choose this PIN"
    expect(page).to have_css "#pocket-told", text: "The PIN is chosen."
  end

  def take_along(job)
    visit "/pocket"
    choose_pin if page.has_css?("#pocket-pin[open]", wait: 3)
    within("[data-job='#{job}']") { click_button "Take along" }
    expect(page).to have_css "#pocket-told", text: "Job #{job} is on this phone.", wait: 60
  end

  # Signed in on a phone, with a new job on it.
  def taken_along(login = "ilka")
    phone
    sign_in_as(login)
    new_job("Cheese cellar 2", "Too warm, one fan stands").tap { |job| take_along(job) }
  end

  # Opens an address as a link of the page does, by the Ruby that stands ready: `visit` begins it
  # anew, as somebody does who comes back to the phone.
  def go(path)
    page.execute_script(<<~JS, path)
      const link = Object.assign(document.createElement("a"), { href: arguments[0] });
      document.getElementById("main").append(link);
      window.htmx.process(link);
      link.click();
    JS
    expect(page).to have_current_path path
  end

  # Looked into with signal: once it says how much it holds, it has said what waits.
  def all_sent
    visit "/pocket"
    expect(page).to have_css "#pocket-room", text: "Fenbo holds", wait: 20
    expect(page).to have_no_text("not sent yet", wait: 30)
  end

  # What the phone holds of a job, opened with the key that the page has open.
  def on_the_phone(job, part = "job")
    page.evaluate_async_script(<<~JS, job, part)
      const [number, part, done] = arguments;
      const raw = Uint8Array.from(atob(JSON.parse(sessionStorage["fenbo-pocket-key"]).raw), (one) => one.charCodeAt(0));
      indexedDB.open("fenbo-pocket").onsuccess = ({ target }) => {
        target.result.transaction("packs").objectStore("packs").get(number).onsuccess = async (got) => {
          target.result.close();
          const { iv, data } = got.target.result.sealed;
          const key = await crypto.subtle.importKey("raw", raw, "AES-GCM", false, ["decrypt"]);
          const plain = await crypto.subtle.decrypt({ name: "AES-GCM", iv }, key, data);
          done(JSON.stringify(JSON.parse(new TextDecoder().decode(plain))[part]));
        };
      };
    JS
      .then { |text| JSON.parse(text) }
  end

  # What the phone keeps, as whoever finds it could read it.
  def everything_kept
    page.evaluate_async_script(<<~JS)
      const done = arguments[0];
      indexedDB.open("fenbo-pocket").onsuccess = async ({ target }) => {
        const base = target.result;
        const names = [...base.objectStoreNames];
        const text = (one) => (one instanceof ArrayBuffer || ArrayBuffer.isView(one))
          ? new TextDecoder().decode(one)
          : typeof one === "object" && one ? Object.values(one).map(text).join(" ") : one;
        const rows = await Promise.all(names.map((name) => new Promise((got) => {
          base.transaction(name).objectStore(name).getAll().onsuccess = ({ target }) => got(target.result.map(text));
        })));
        base.close();
        done(rows.flat().join(" ") + JSON.stringify(localStorage));
      };
    JS
  end

  def open_with(pin)
    within("#pocket-pin") do
      fill_in "pin", with: pin
      click_button "Open"
    end
  end
end
