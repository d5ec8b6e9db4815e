# frozen_string_literal: true

module Shared
  # An address that leads nowhere: told in plain words, to people and to programs.
  class Nowhere < Route
    %i[get post put patch delete].each do |verb|
      public_send(verb, "/*") { raise Sinatra::NotFound }
    end
  end
end
