# frozen_string_literal: true

require_relative "browser_helper"
require_relative "../../script/lib/two_rubies"

# The phone's Ruby is another one than the server's; what it says is the same.
RSpec.describe TwoRubies do
  it "answers every tool's own example, those beside a limit, and others, alike" do
    sign_in_as("ilka")
    browser = page.driver.browser
    browser.page.command("Page.setBypassCSP", enabled: true)
    visit "/pocket"
    both = described_class.new(browser)
    expect(both.begin).to eq "begun"
    cases = described_class.cases(each: 6, random: Random.new(11))
    expect(cases.size).to be > 250
    expect(cases.map(&:first).uniq.size).to eq Fenbo::Tools.names.size - described_class::LEFT_OUT.size
    expect(both.differences(cases).first(3)).to eq []
  end
end
