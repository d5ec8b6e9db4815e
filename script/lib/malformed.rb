# frozen_string_literal: true

require "uri"

# Requests that no page of ours would send: every door, its fields filled with what does not
# belong there, in encodings and bodies that are broken. Seeded, so that what breaks can be
# sent again.
class Malformed
  Request = Struct.new(:verb, :path, :headers, :body)
  FORM = "application/x-www-form-urlencoded"

  # @param doors [Array<Array(String, String)>] verb and pattern, like "/jobs/:number/findings"
  # @param fields [Array<String>] names of fields anywhere
  # @param numbers [Array<Integer>] of jobs that are there
  def initialize(doors, fields, numbers, random)
    @doors = doors
    @fields = fields
    @numbers = numbers
    @random = random
  end

  # @param token [String] against forgery, so that a post is looked into
  def next(token)
    verb, pattern = pick(@doors)
    path = pattern.sub("/?", "").gsub(/:\w+/) { |name|
      URI.encode_www_form_component((name == ":number") ? number : word)
    }
    return Request.new(verb, "#{path}?#{query}", {}, nil) if verb == "GET"
    Request.new(verb, path, {"Content-Type" => type}, body(token))
  end

  private

  def pick(list) = list[@random.rand(list.size)]

  def number = (@random.rand < 0.8) ? pick(@numbers).to_s : word

  def type
    (@random.rand < 0.85) ? FORM : pick(["", "text/plain", "application/json", "multipart/form-data",
      "multipart/form-data; boundary=x", "#{FORM}; charset=utf-16", "image/png", "\x7F"])
  end

  def query
    Array.new(@random.rand(3)) { "#{escaped(pick(@fields))}=#{value}" }.join("&")
  end

  def body(token)
    pairs = Array.new(1 + @random.rand(8)) { "#{name}=#{value}" }
    pairs << "authenticity_token=#{escaped(token)}" << "client_id=#{value}" if @random.rand < 0.95
    pairs.join("&")
  end

  def name
    one = escaped(pick(@fields))
    one + pick(["", "", "", "", "[]", "[x]", "[tempfile]", "[[", "[a][b][c]"])
  end

  def value
    (@random.rand < 0.1) ? pick(%w[%00 %c3%28 %ff %f0%28 %zz % %ED%A0%80]) : escaped(word)
  end

  def escaped(text) = URI.encode_www_form_component(text)

  def word
    pick(
      [
        "", " ", "0", "-1", "1", "999999999999", "99999999999999999999999", "1e308", "NaN", "0.0000001", "1,5,6", "½",
        "evaporator-1", "evaporator-99", "unit.1", "evaporator-1.7", "amps", "noise", "grinding", "bearing_worn",
        "replace", "2031-02-30", "2031-05-05T25:61", "99999-01-01", "'; DROP TABLE jobs; --", "<script>x</script>",
        "../../etc/passwd", "a" * (10**@random.rand(5)), "\u202E\u0000x".delete("\0"), "😀" * 50, "[[0.1,0.2]]", "{}",
        "null", "true", "[[[0,0],[1,1]]]", "{\"a\":1}", "00000000-0000-0000-0000-000000000000", "-0", "+5", "5 kg",
        "0x10", "١٢٣", "\r\n\r\n", "=1+1", " " * 300
      ]
    )
  end
end
