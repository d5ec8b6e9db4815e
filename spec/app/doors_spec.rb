# frozen_string_literal: true

require_relative "app_spec_helper"

RSpec.describe "the doors", :rolled_back do
  let(:technician) { create(:user) }
  let(:office) { create(:user, role: "office") }
  let(:apprentice) { create(:user, role: "apprentice") }
  let(:job) { create(:job) }

  it "sends strangers to the sign-in and back where they wanted to go, never elsewhere" do
    get "/jobs/#{job.number}/look"
    expect(last_response.location).to end_with "/sign-in?then=%2Fjobs%2F#{job.number}%2Flook"
    get "/sign-in"
    send_form "/sign-in", login: technician.login.upcase, password: technician.password, then: "//elsewhere.example"
    expect(last_response.location).to end_with "/"
  end

  it "tells a wrong password without telling which half was wrong, and keeps the name" do
    get "/sign-in"
    send_form "/sign-in", login: technician.login, password: "wrong"
    known = page[/class="fault"[^>]*>([^<]+)/, 1]
    expect([status, page]).to match [422, include(%(value="#{technician.login}"))]
    send_form "/sign-in", login: "nobody", password: "wrong"
    expect(page[/class="fault"[^>]*>([^<]+)/, 1]).to eq known
  end

  it "throttles sign-in by name, with a plain page" do
    get "/sign-in"
    12.times { send_form "/sign-in", login: "target", password: "x" }
    expect([status, last_response.headers["retry-after"], page]).to match [429, "300", include("Too many tries")]
  end

  it "takes no post without the page's token" do
    sign_in technician
    post "/jobs/#{job.number}/findings", {test: "noise", outcome: "silent"}
    expect(status).to eq 403
    expect(Finding.where(job:)).to be_empty
  end

  it "carries a strict policy on every answer and lets nothing inline through" do
    sign_in technician
    ["/", "/jobs/#{job.number}/measure", "/nowhere", "/style", "/up"].each do |path|
      get path
      expect(last_response.headers["content-security-policy"]).to include("script-src 'self'").and include(
              "style-src 'self'"
            )
      expect(page).not_to match(/<script(?![^>]*src=)|\son\w+=|\sstyle=/i)
    end
  end

  it "escapes what people type" do
    sign_in technician
    nasty = create(:job, complaint: %(<script>alert(1)</script>"'&))
    get "/jobs/#{nasty.number}/call"
    expect(page).to include("&lt;script&gt;alert(1)")
    expect(page).not_to include("<script>alert")
  end

  it "lets each role do its own and says who may otherwise" do
    sign_in office
    get "/jobs/#{job.number}/look"
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome: "silent", fan: "evaporator-1"
    expect([status, page]).to match [403, include("technicians and apprentices")]
    sign_in apprentice
    get "/customers/new"
    expect(status).to eq 403
    get "/settings"
    send_form "/settings/shop", shop_name: "Mine", rate: "1"
    expect([status, Setting.read("shop_name")]).to eq [403, "Tarn Cooling"]
  end

  it "ends other sessions when the password changes, and keeps old passwords out" do
    sign_in technician
    old_cookie = rack_mock_session.cookie_jar.to_hash["fenbo"]
    get "/settings"
    send_form "/settings/password", old_password: "wrong", new_password: "something longer"
    expect([status, page]).to match [422, include("not your present password")]
    send_form "/settings/password", old_password: technician.password, new_password: "short"
    expect([status, page]).to match [422, include("Twelve to seventy-two")]
    send_form "/settings/password", old_password: technician.password, new_password: "#{technician.login}password12"
    expect([status, page]).to match [422, include("guessed quickly")]
    send_form "/settings/password", old_password: technician.password, new_password: "copper and slow frost"
    get "/settings"
    expect(status).to eq 200
    clear_cookies
    set_cookie "fenbo=#{Rack::Utils.escape(old_cookie)}"
    get "/settings"
    expect(status).to eq 303
  end

  it "makes the first office user once, and only while there is nobody" do
    get "/first-run"
    expect(status).to eq 303
    allow(User).to receive_messages(any?: false, none?: true)
    get "/first-run"
    send_form "/first-run", name: "Una", login: "una", password: "short"
    expect([status, page]).to match [422, include("Twelve to seventy-two")]
    send_form "/first-run", name: "Una", login: "una", password: "long enough indeed"
    expect(User.find_by(login: "una")).to be_office
  end

  it "answers lost ways with a page of its own" do
    sign_in technician
    [
      "/jobs/99999999",
      "/jobs/abc",
      "/units/0",
      "/photos/1%27%20or%201=1",
      "/parts/../../etc/passwd",
      "/jobs/#{job.number}/nowhere"
    ].each do |path|
      get path
      expect([path, status, page]).to match [path, 404, include("There is nothing here")]
    end
  end

  describe "the API" do
    def call_api(tool, body, bearer)
      header "Authorization", "Bearer #{bearer}"
      post "/api/v1/#{tool}", body.is_a?(String) ? body : JSON.generate(body), "CONTENT_TYPE" => "application/json"
      JSON.parse(page)
    end

    it "answers a token's owner as bin/fenbo would, and nobody else" do
      token = ApiToken.issue(technician, "test")
      example = Fenbo::Tools.entry("amps").example
      expect(call_api("amps", example, token.secret)).to eq JSON.parse(
           JSON.generate(Fenbo.call(:amps, example).as_json)
         )
      expect(call_api("amps", {"motor" => {}}, token.secret)["errors"].map { |one| one["field"] }).to include(
        "motor.family",
        "reading"
      )
      expect(status).to eq 422
      call_api("amps", "{", token.secret)
      expect(status).to eq 422
      call_api("divine", {}, token.secret)
      expect(status).to eq 404
      token.update!(revoked_at: Time.now)
      call_api("amps", example, token.secret)
      expect(status).to eq 401
    end

    it "reads motors from the database, never a file named by the caller" do
      token = ApiToken.issue(technician, "test")
      question = Fenbo::Tools.entry("match").example.except("motors").merge("catalog" => "/etc/passwd")
      answer = call_api("match", question, token.secret)
      numbers = (answer["candidates"] + answer["rejected"]).map { |one| one["part_no"] }
      expect(numbers).not_to be_empty
      expect(numbers - Motor.pluck(:part_no)).to eq []
    end
  end

  it "leaves the session alone where a page was only looked at, so that a late answer brings nothing back" do
    sign_in technician
    get "/jobs/#{job.number}/look"
    2.times { get "/jobs/#{job.number}/look" }
    expect(last_response["set-cookie"]).to be_nil
    late = rack_mock_session.cookie_jar.to_hash["fenbo"]
    send_form "/jobs/#{job.number}/findings", test: "noise", outcome: "grinding"
    expect(last_response["set-cookie"]).to include "fenbo="
    # Meanwhile a recording's sound, a meter's poll: asked before, answered now.
    with_old =
      Rack::MockRequest.new(Web.app).get(
        "/jobs/#{job.number}/look",
        "HTTP_COOKIE" => "fenbo=#{Rack::Utils.escape(late)}"
      )
    expect([with_old.status, with_old["set-cookie"]]).to eq [200, nil]
    follow_redirect!
    expect(page).to include "Noise: grinds"
  end

  it "says plainly when the disk is full, at every door that takes a file" do
    sign_in office
    get "/imports"
    full = {
      "rack.multipart.tempfile_factory" => ->(_name, _type) do
        File.open("/dev/full", "w").tap { |file| file.sync = true }
      end
    }
    files = {"/imports" => :file, "/jobs/#{job.number}/photos" => :photo, "/jobs/#{job.number}/sounds" => :wav}
    answers =
      files.map do |path, field|
        post path,
          {
            :authenticity_token => token,
            field =>
              Rack::Test::UploadedFile.new(
                StringIO.new("part_no,maker,family\n"),
                "text/csv",
                original_filename: "a.csv"
              )
          },
          full
        [path, status, page.include?("The disk is full")]
      end
    expect(answers.map { |_, code, told| [code, told] }).to eq [[507, true]] * 3
    expect(CatalogueImport.where(file_name: "a.csv")).to be_empty
  end

  it "says plainly when the database is away, and is well again after" do
    sign_in technician
    allow(User).to receive(:of_session).and_raise(ActiveRecord::ConnectionNotEstablished, "gone")
    get "/"
    expect([status, page]).to match [503, include("The database is away")]
    allow(Database).to receive(:alive?).and_return(false)
    get "/up"
    expect(status).to eq 503
    RSpec::Mocks.space.proxy_for(User).reset
    get "/"
    expect(status).to eq 200
  end
end
