# frozen_string_literal: true

require "fileutils"
require "securerandom"
require_relative "whole_file"

# The key that signs and encrypts session cookies: made once, kept in var/,
# readable by its owner only.
module Secrets
  module_function

  def session(root)
    file = File.join(root, "var", "secret")
    FileUtils.mkdir_p(File.dirname(file))
    WholeFile.write(file, SecureRandom.hex(64), perm: 0o600) unless File.size?(file)
    File.read(file)
  end
end
