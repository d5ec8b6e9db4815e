# frozen_string_literal: true

require "zip"

module JobFiles
  # A job file as it travels: a zip with job.json and, beside it, the photos and
  # recordings under the names the job gives them. docs/formats.md describes it.
  class Package
    JSON_NAME = "job.json"
    MOST_JSON = 20_000_000
    MOST_BYTES = 400_000_000

    # The door's own refusal: a sentence, or several.
    class Refused < StandardError
      attr_reader :faults

      def initialize(faults)
        @faults = Array(faults)
        super(@faults.first)
      end
    end

    # @param job [Fenbo::JobFile::Job]
    # @yield [Fenbo::JobFile::StoredFile] its bytes, an IO
    # @return [String] the zip
    def self.write(job)
      Zip::OutputStream.write_buffer { |zip|
        zip.put_next_entry(JSON_NAME)
        zip.write(JSON.pretty_generate(job.as_json))
        stored(job).each do |file|
          zip.put_next_entry(file.name)
          IO.copy_stream(yield(file), zip)
        end
      }.string
    end

    def self.stored(job)
      job.photos.map(&:file) + job.readings.filter_map(&:file)
    end

    # @param io [IO] a zip as it was sent
    # @return [Array] the job and its files by name
    # @raise [Refused] saying what is wrong with it
    def self.read(io) = new(io).read

    def initialize(io)
      @io = io
    end

    def read
      Zip::File.open_buffer(@io) do |zip|
        job = proved(zip)
        files = self.class.stored(job).to_h { |file| [file.name, bytes(zip, file)] }
        return [job, files]
      end
    rescue Zip::Error
      raise Refused, "This is no zip file as a job is brought out in."
    end

    private

    def proved(zip)
      entry = zip.find_entry(JSON_NAME) or raise Refused, "There is no #{JSON_NAME} in this file."
      raise Refused, "#{JSON_NAME} is larger than #{MOST_JSON / 1_000_000} MB." if entry.size > MOST_JSON
      total = zip.sum(&:size)
      raise Refused, "Unpacked it is larger than #{MOST_BYTES / 1_000_000} MB." if total > MOST_BYTES
      job = Fenbo::JobFile.from_json(JSON.parse(content(entry, MOST_JSON).force_encoding(Encoding::UTF_8)))
      faults = Fenbo::JobFile::Check.new(job).faults
      raise Refused, faults if faults.any?
      job
    rescue JSON::ParserError, ArgumentError => problem
      raise Refused, "#{JSON_NAME} is not understood: #{problem.message.lines.first.to_s.strip[0, 200]}"
    end

    def bytes(zip, file)
      entry = zip.find_entry(file.name) or raise Refused, "“#{file.name[0, 80]}” is missing."
      said = content(entry, file.bytes)
      sound = said.bytesize == file.bytes && (file.sha256.nil? || Digest::SHA256.hexdigest(said) == file.sha256)
      unless sound
        raise Refused,
          "“#{file.name[0, 80]}” is not what the job says it is: it was changed or cut on its way."
      end
      StringIO.new(said)
    end

    # No more than it may be, whatever the zip says of itself.
    def content(entry, most)
      entry.get_input_stream { |stream| stream.read(most + 1) || "" }
    end
  end
end
