# frozen_string_literal: true

require_relative "app_spec_helper"

# What is shown of a job is made from the job file alone: read from its JSON, as a phone or
# a file would bring it, not one question is asked of the database.
RSpec.describe "a job read from its JSON" do
  number = ->(status) { Job.where(status:).order(:number).last.number }
  jobs = %w[open closed].to_h do |status|
    [status, JSON.generate(JobSource.numbered(number[status]).as_json)]
  end

  # Words and figures as a page has them.
  let(:page) do
    Class.new do
      include Shared::Figures
      include Shared::Words
      include Shared::Pictures

      def current_user = Struct.new(:unit_system).new("si")
    end.new
  end

  def questions
    asked = []
    counter = ActiveSupport::Notifications.subscribe("sql.active_record") { |*, payload| asked << payload[:sql] }
    yield
    asked
  ensure
    ActiveSupport::Notifications.unsubscribe(counter)
  end

  jobs.each do |status, json|
    it "gives the report, its PDF and the bank of a job that is #{status}, without the database" do
      report = pdf = nil
      asked = questions do
        job = Fenbo::JobFile.from_json(JSON.parse(json))
        report = Stations::HandOver::Report.new(job, limits: Fenbo::Limits.default, shop: "Tarn Cooling")
        pdf = Stations::HandOver::Pdf.new(report, page).render
        Fenbo::Electrical::Bank.new(job).rows
      end
      expect(asked).to eq []
      expect(pdf).to start_with "%PDF"
    end
  end
end
