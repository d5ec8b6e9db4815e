# frozen_string_literal: true

# Writes a file so that whoever reads it finds all of it or what stood there before, also
# after the power went away.
module WholeFile
  module_function

  def write(path, text, perm: 0o644)
    half = "#{path}.#{Process.pid}.half"
    File.open(half, File::WRONLY | File::CREAT | File::TRUNC, perm) do |file|
      file.write(text)
      file.fsync
    end
    File.rename(half, path)
  end
end
