# frozen_string_literal: true

require "digest"
require "fileutils"
require "shrine"
require_relative "../../app/records/file_store"

# Photos and recordings as a backup sees them: names and bytes, in a folder or in a bucket.
module KeptFiles
  # Wherever this Fenbo keeps them.
  def self.here
    FileStore.bucket_address ? Bucket.new(FileStore.bucket) : Folder.new(FileStore.folder)
  end

  # In a folder, which need not be there yet.
  class Folder
    def initialize(path)
      @path = path
    end

    # @return [Hash{String => String}] names, with the SHA-256 of what each holds
    def digests
      names.to_h { |name| [name, Digest::SHA256.file(File.join(@path, name)).hexdigest] }
    end

    def copy_to(folder)
      FileUtils.cp_r("#{@path}/.", folder) if File.directory?(@path)
    end

    def bring_from(folder)
      FileUtils.mkdir_p(@path)
      FileUtils.cp_r("#{folder}/.", @path)
    end

    def to_s = @path

    private

    def names
      Dir.glob("**/*", File::FNM_DOTMATCH, base: @path).select { |name| File.file?(File.join(@path, name)) }
    end
  end

  # In a store that speaks S3.
  class Bucket
    # @param bucket [Aws::S3::Bucket]
    def initialize(bucket)
      @bucket = bucket
    end

    def digests
      @bucket.objects.to_h { |one| [one.key, Digest::SHA256.hexdigest(one.get.body.read)] }
    end

    def copy_to(folder)
      @bucket.objects.each do |one|
        path = File.join(folder, one.key)
        FileUtils.mkdir_p(File.dirname(path))
        one.get(response_target: path)
      end
    end

    def bring_from(folder)
      Dir.glob("**/*", base: folder).select { |name| File.file?(File.join(folder, name)) }.each do |name|
        File.open(File.join(folder, name), "rb") { |file| @bucket.put_object(key: name, body: file) }
      end
    end

    def to_s = "the bucket #{@bucket.name}"
  end
end
