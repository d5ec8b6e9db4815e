# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe ReportBundle, :rolled_back do
  # The newest of them: a drawn report takes its time.
  let(:closed) {
    first = Job.where(status: "closed").order(closed_at: :desc).limit(8).pluck(:closed_at).last
    Job.where(status: "closed", closed_at: first.beginning_of_day..).order(:number)
  }
  let(:span) { {from: closed.minimum(:closed_at).to_date.to_s, upto: closed.maximum(:closed_at).to_date.to_s} }

  before do
    sign_in create(:user, role: "office")
    get "/reports"
  end

  def ask(**fields)
    send_form("/reports", client_id: SecureRandom.uuid, **fields)
  end

  it "makes a PDF of every job closed between two days, in one zip" do
    ask(**span)
    bundle = described_class.last
    expect(bundle).to have_attributes(state: "ready", jobs: closed.count, done: closed.count)
    get "/reports/#{bundle.id}.zip"
    entries = Zip::File.open_buffer(StringIO.new(last_response.body)).entries
    expect(entries.map(&:name)).to eq closed.pluck(:number).map { |number| "fenbo-job-#{number}.pdf" }
    expect(entries.map { |one| one.get_input_stream.read[0, 5] }.uniq).to eq ["%PDF-"]
  end

  it "keeps to one customer, and answers the same press once" do
    customer = closed.first.unit.site.customer
    2.times { send_form("/reports", client_id: "0b7b0a9e-51a5-4a0e-8f6e-2f8f2a1c0d3e", customer: customer.id, **span) }
    expect(described_class.where(customer:).count).to eq 1
    expect(described_class.last.jobs).to eq closed.joins(unit: :site).where(sites: {customer_id: customer.id}).count
  end

  it "says at the field what cannot be made" do
    ask(from: "soon", upto: "2031-02-30")
    expect([status, page.scan("A day, please.").size]).to eq [422, 2]
    ask(from: "2031-05-05", upto: "2031-05-04")
    expect(page).to include "lies before the first", "2031-05-05"
    ask(from: "1999-01-01", upto: "1999-01-02")
    expect(page).to include "No job was closed between these days."
    expect(described_class.count).to eq 0
  end

  it "says where it broke off, and drops what nobody fetched for long" do
    bundle = described_class.create!(user: User.last, from: Date.today, upto: Date.today, client_id: SecureRandom.uuid)
    work = Stations::HandOver::BundleWork.new(args: [bundle.id], error_count: 4)
    work.send(:handle_error, RuntimeError.new("no ink"))
    expect(get("/reports").body).to include "It broke off: no ink"
    bundle.update!(created_at: 15.days.ago)
    described_class.drop_old
    expect(described_class.count).to eq 0
  end
end
