# frozen_string_literal: true

module JobFiles
  # A job out as a file that another Fenbo can take in, and such files in.
  class Route < Shared::Route
    LARGEST = 200_000_000

    get "/jobs/:number/job-file.zip" do
      attachment "fenbo-job-#{job.number}.zip"
      content_type "application/zip"
      Package.write(job) { |file| stored(file).open }
    end

    get "/job-files/?" do
      need :bring_in
      erb :bring_in, locals: {faults: [], outcome: nil}
    end

    post "/job-files/?" do
      need :bring_in
      outcome = take_in(params[:file])
      erb :bring_in, locals: {faults: [], outcome:}
    rescue Package::Refused => problem
      halt 422, erb(:bring_in, locals: {faults: problem.faults, outcome: nil})
    end

    private

    def take_in(upload)
      raise Package::Refused, "Choose a file first." unless Shared::Sent.file?(upload)
      size = upload[:tempfile].size
      raise Package::Refused, "The file is larger than #{LARGEST / 1_000_000} MB." if size > LARGEST
      JobImport.new(*Package.read(upload[:tempfile])).run
    rescue ActiveRecord::RecordInvalid => problem
      raise Package::Refused, "It cannot be kept: #{problem.record.class.name.downcase}, #{problem.message}"
    rescue ActiveRecord::StatementInvalid => problem
      raise if Database::AWAY.any? { |kind| problem.is_a?(kind) }
      raise Package::Refused, "It cannot be kept: #{problem.cause&.message.to_s.lines.first.to_s.strip[0, 200]}"
    end

    # The row that holds a file, by the id its name carries.
    def stored(file)
      id = File.basename(file.name, ".*")
      return Photo.find_by!(client_id: id).file if file.name.start_with?("photos/")
      SoundUploader.uploaded_file(Reading.find_by!(client_id: id).question["file"])
    end
  end
end
