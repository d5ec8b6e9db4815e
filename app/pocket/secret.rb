# frozen_string_literal: true

require "openssl"

module Pocket
  # What opens a person's things on a phone whose PIN is forgotten: given to whoever is signed
  # in, made of Fenbo's own secret, kept nowhere.
  module Secret
    module_function

    # @param user [User]
    # @return [String] 32 bytes, in base64
    def of(user)
      key = OpenSSL::KDF.hkdf(ENV.fetch("FENBO_SECRET"), salt: "", info: "pocket #{user.uid}", length: 32,
        hash: "SHA256")
      [key].pack("m0")
    end
  end
end
