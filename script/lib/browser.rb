# frozen_string_literal: true

require "cgi"
require "json"
require "net/http"
require "stringio"

# One person's browser: a cookie and the token of a form.
class Browser
  attr_reader :token

  # @param port [Integer] of Fenbo on this machine
  # @param page [String] with a form, whose token is used from then on
  def initialize(login, port:, page:)
    @login = login
    @page = page
    @http = Net::HTTP.new("127.0.0.1", port)
    @http.read_timeout = 20
  end

  def sign_in
    page = get("/sign-in")
    @token = csrf(page)
    post("/sign-in", login: @login, password: Demos::PASSWORD)
    @token = csrf(get(@page))
    self
  end

  def get(path) = keep(@http.get(path, cookie))

  def post(path, **fields)
    keep(@http.post(path, URI.encode_www_form({authenticity_token: @token}.merge(fields)), cookie))
  end

  def post_json(path, **body)
    headers = cookie.merge("Content-Type" => "application/json", "X-CSRF-Token" => @token)
    keep(@http.post(path, JSON.generate(body), headers))
  end

  # @param file [String] bytes of a picture
  def upload(path, field, file, **fields)
    request = Net::HTTP::Post.new(path, cookie)
    parts = {authenticity_token: @token}.merge(fields).map { |name, value| [name.to_s, value.to_s] }
    request.set_form([*parts, [field, StringIO.new(file), {filename: "#{field}.png"}]], "multipart/form-data")
    keep(@http.request(request))
  end

  def send_raw(request)
    kind = (request.verb == "GET") ? Net::HTTP::Get : Net::HTTP::Post
    one = kind.new(request.path, cookie.merge(request.headers))
    one.body = request.body
    @http.request(one)
  end

  private

  def cookie = @cookie ? {"Cookie" => @cookie} : {}

  def csrf(page)
    CGI.unescapeHTML(page.body[/name="csrf" content="([^"]+)"/, 1])
  end

  def keep(answer)
    @cookie = answer["set-cookie"][/fenbo=[^;]+/] if answer["set-cookie"]
    answer
  end
end
