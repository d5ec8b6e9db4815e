# frozen_string_literal: true

require "zip"

module Stations
  module HandOver
    # Makes the reports of a bundle, one after another, beside the requests.
    class BundleWork < WorkQueue::Work
      def run(id)
        bundle = ReportBundle.find_by(id:) or return
        numbers = bundle.numbers
        bundle.update!(state: "working", jobs: numbers.size, done: 0, message: nil)
        bundle.update!(state: "ready", file: ZipUploader.upload(zip(bundle, numbers), :store).to_json)
      end

      private

      def zip(bundle, numbers)
        voice = Shared::Voice.new(bundle.user)
        Zip::OutputStream
          .write_buffer do |zip|
            numbers.each do |number|
              zip.put_next_entry("fenbo-job-#{number}.pdf")
              zip.write(Pdf.new(report(number), voice).render)
              bundle.update!(done: bundle.done + 1)
            end
          end
          .tap(&:rewind)
      end

      def report(number) = Report.of(JobSource.numbered(number))

      # What went wrong is said where the bundle was asked for.
      def handle_error(problem)
        why = problem.message.lines.first.to_s.strip[0, 300]
        ReportBundle.where(id: que_attrs[:args].first).update_all(
          last_try? ? {state: "broken",
                       message: why} : {state: "waiting", message: "#{why}: it is tried again by itself"}
        )
        super
      end
    end
  end
end
