# frozen_string_literal: true

require_relative "browser_helper"
require_relative "../../script/lib/two_rubies"

# The phone's Ruby is another one than the server's; what it says is the same.
RSpec.describe TwoRubies do
  # Begun in a page, whose policy a test may pass by.
  let(:both) do
    sign_in_as("ilka")
    browser = page.driver.browser
    browser.page.command("Page.setBypassCSP", enabled: true)
    visit "/pocket"
    described_class.new(browser).tap { |one| expect(one.begin).to eq "begun" }
  end

  it "hears the same in a recording, whatever its rate, to the last figure said", slow: true do
    random = Random.new(7)
    heard = FenboSimulation::Microphone::KINDS.each_with_index.map { |kind, index|
      rate = [16_000, 44_100, 48_000][index % 3]
      both.heard(FenboSimulation::Microphone.new(kind:, rate:, seconds: 4, snr_db: 12, random:).wav)
    }
    expect(heard.map { |_, there| there }).to eq(heard.map { |here, _| here })
    expect(heard.map { |here, _| here["verdict"] }.uniq.size).to be > 5
  end

  it "answers every tool's own example, those beside a limit, and others, alike" do
    cases = described_class.cases(each: 6, random: Random.new(11))
    expect(cases.size).to be > 250
    expect(cases.map(&:first).uniq.size).to eq Fenbo::Tools.names.size - described_class::LEFT_OUT.size
    expect(both.differences(cases).first(3)).to eq []
  end
end
