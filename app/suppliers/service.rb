# frozen_string_literal: true

require "json"
require "net/http"

module Suppliers
  # One call to a price service: an answer, or that there was none in time.
  #
  #   Service.at(ENV["FENBO_PRICE_SERVICE"]).call("GET", "/suppliers")   #=> [200, [{"id" => …}]]
  class Service
    # It did not answer, or not in a way that can be read.
    class Silent < StandardError; end

    # Errors that mean silence; anything else is a bug and shows as one.
    FAILURES = [SystemCallError, SocketError, IOError, Timeout::Error, Net::ProtocolError, Net::HTTPBadResponse,
      JSON::ParserError].freeze
    # The longest answer that is read.
    MOST_BYTES = 5_000_000

    # @param address [String, nil] nil: the stand-in, in this process
    def self.at(address, seconds:)
      new(address.to_s.empty? ? InProcess.new : OverNet.new(URI(address), seconds))
    end

    def initialize(transport)
      @transport = transport
    end

    # @return [Array(Integer, Object)] status and parsed JSON
    # @raise [Silent]
    def call(method, path, body = nil)
      status, text = @transport.call(method, path, body && JSON.generate(body))
      raise Silent, "answered #{status}" if status >= 500
      [status, JSON.parse(text)]
    rescue *FAILURES => problem
      raise Silent, "#{problem.class}: #{problem.message.lines.first}"
    end

    # By HTTP, within so many seconds for connecting and for each piece of the answer.
    class OverNet
      def initialize(address, seconds)
        @address = address
        @seconds = seconds
      end

      def call(method, path, body)
        Timeout.timeout(@seconds) { ask(method, path, body) }
      end

      private

      def ask(method, path, body)
        options = {open_timeout: @seconds, read_timeout: @seconds, write_timeout: @seconds, max_retries: 0,
                   use_ssl: @address.scheme == "https"}
        Net::HTTP.start(@address.host, @address.port, **options) do |http|
          answer = http.send_request(method, @address.path.chomp("/") + path, body,
            "content-type" => "application/json")
          text = answer.body.to_s
          raise Net::ProtocolError, "#{text.bytesize} bytes" if text.bytesize > MOST_BYTES
          [answer.code.to_i, text]
        end
      end
    end

    # The stand-in that ships with Fenbo, asked without a network.
    class InProcess
      def initialize(app = FenboSimulation::PriceService.new(silence_s: 0))
        @app = app
      end

      attr_reader :app

      def call(method, path, body)
        status, _, lines = @app.call({"REQUEST_METHOD" => method, "PATH_INFO" => path,
                                      "rack.input" => StringIO.new(body.to_s)})
        [status, lines.join]
      end
    end
  end
end
