# frozen_string_literal: true

require_relative "app_spec_helper"

# A customer's link to a quote: what is asked, and one yes or no, without signing in.
RSpec.describe Stations::Source::QuoteDoor, :rolled_back do
  let(:technician) { create(:user) }
  let(:job) { create(:job, technician:) }
  let(:options) do
    %w[good better].map { |id|
      {"id" => id, "lines" => [{"what" => "motor", "kind" => "part", "cents" => 8000, "place" => "Evaporator fan 1"}],
       "net_cents" => 8000, "discount_cents" => 0, "tax_cents" => 1520, "rounding_cents" => 0, "total_cents" => 9520,
       "deposit_cents" => 0}
    }
  end

  def quote(version = 1)
    Quote.create!(job:, user: technician, version:, options:, tax_percent: 19.0)
  end

  def link_to(quote) = QuoteLink.issue(quote, technician)

  def answer(secret, **fields)
    get "/quote/#{secret}"
    send_form "/quote/#{secret}", verdict: "approved", option: "good", name: "R. Aalto", **fields
    status
  end

  def answers
    QuoteAnswer.where(quote: job.quotes).order(:id).map { |one|
      [one.verdict, one.option, one.name, one.how, one.total_cents]
    }
  end

  it "shows what is asked without signing in, and is found by no search engine" do
    get "/quote/#{link_to(quote)}"
    expect([status, last_response["x-robots-tag"]]).to eq [200, "noindex"]
    expect(page).to include "Quote #{job.number}-1", "Motor", "Evaporator fan 1", "Do you want it?", "Your signature",
      "Send the answer"
    expect(page).not_to include "Settings"
  end

  it "takes a yes with a drawn name, and a no with its reason" do
    strokes = JSON.generate([[[0.1, 0.2], [0.5, 0.4]]])
    expect(answer(link_to(quote), signature: strokes)).to eq 303
    expect(QuoteAnswer.last.signature).to eq JSON.parse(strokes)
    expect(answer(link_to(quote(2)), verdict: "declined", option: "good", reason: "Too dear.")).to eq 303
    expect(answers).to eq [["approved", "good", "R. Aalto", "link", 9520], ["declined", nil, "R. Aalto", "link", nil]]
    expect(QuoteAnswer.last.reason).to eq "Too dear."
  end

  it "keeps what was typed and says at which field it is wrong" do
    secret = link_to(quote)
    told = {
      {verdict: "perhaps"} => "Yes or no?", {name: " "} => "Who says so?", {option: "platinum"} => "Which one?",
      {verdict: "declined"} => "Why not, in a few words?", {signature: "scribble"} => "could not be read",
      {name: "x" * 200} => "longer than 120"
    }
    told.each { |fields, words| expect([answer(secret, **fields), page]).to match [422, include(words)] }
    expect([answers, answer(secret)]).to eq [[], 303]
  end

  it "takes one answer, however often it is sent, and shows it afterwards" do
    secret = link_to(quote)
    expect([answer(secret), answer(secret), answer(secret, verdict: "declined", reason: "No.")]).to eq [303, 303, 422]
    expect(answers.size).to eq 1
    get "/quote/#{secret}"
    expect(page).to include "R. Aalto"
    expect(page).not_to include "Send the answer"
  end

  it "takes no answer to a quote that is not the last, nor on a job that ended" do
    old = link_to(quote)
    QuoteLink.update_all(used_at: nil)
    fresh = quote(2)
    expect([answer(old), page]).to match [422, include("There is a newer quote")]
    secret = link_to(fresh)
    job.update!(status: "closed")
    expect([answer(secret), page]).to match [422, include("This job is closed.")]
    expect(answers).to eq []
  end

  it "opens nothing with a secret that is none, ran out, or was followed by another" do
    first = link_to(quote)
    second = link_to(job.quotes.first)
    QuoteLink.where.not(id: QuoteLink.maximum(:id)).update_all(expires_at: 1.day.ago)
    [first, "#{second}x", "x"].each { |secret|
      get "/quote/#{secret}"
      expect([status, page]).to match [404, include("This link has ended")]
    }
    get "/quote/#{second}"
    expect(status).to eq 200
  end
end
