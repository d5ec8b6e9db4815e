# frozen_string_literal: true

require_relative "app_spec_helper"

# What is turned away before anything is read, and what no wrong field brings down.
RSpec.describe Gatekeeper, :rolled_back do
  let(:user) { create(:user) }

  def try_password(from:, login: user.login)
    env "REMOTE_ADDR", from
    get "/sign-in"
    send_form "/sign-in", login:, password: "wrong"
    status
  end

  it "answers to its own names and to addresses in figures, to no other" do
    {"evil.example" => 400, "example.org" => 200, "localhost:4680" => 200, "192.168.3.4" => 200, "[::1]:4680" => 200,
     "127.0.0.1.evil.example" => 400}.each do |host, code|
      get "/sign-in", {}, {"HTTP_HOST" => host}
      expect([host, status]).to eq [host, code]
    end
  end

  it "takes no more at a door than belongs there" do
    {"/sign-in" => 16_385, "/jobs/1/findings" => 1_048_577, "/jobs/1/photos" => 14_000_000}.each do |path, size|
      post path, "x" * 10, {"CONTENT_LENGTH" => size.to_s, "CONTENT_TYPE" => "application/x-www-form-urlencoded"}
      expect([path, status]).to eq [path, 413]
    end
  end

  it "knows a peer by the connection; a header is believed from named proxies alone" do
    seen = nil
    door = ->(more) {
      described_class.new(->(env) {
        [200, {}, [seen = env["REMOTE_ADDR"]]]
      }, hosts: ["a.example"], proxies: ["10.0.0.1"])
        .call({"HTTP_HOST" => "a.example", "PATH_INFO" => "/",
               "HTTP_X_FORWARDED_FOR" => "1.1.1.1, 2.2.2.2"}.merge(more))
      seen
    }
    expect(door[{"REMOTE_ADDR" => "9.9.9.9"}]).to eq "9.9.9.9"
    expect(door[{"REMOTE_ADDR" => "10.0.0.1"}]).to eq "2.2.2.2"
  end

  it "lets no stranger lock somebody out, and nobody guess on by changing a header" do
    12.times { try_password(from: "203.0.113.7") }
    expect(try_password(from: "203.0.113.7")).to eq 429
    expect(try_password(from: "203.0.113.8")).to eq 422
  end

  it "slows down whoever guesses a password in the settings" do
    sign_in user
    get "/settings"
    codes = Array.new(12) {
      send_form "/settings/password", old_password: "no", password: "abcdefghij", again: "abcdefghij"
      status
    }
    expect(codes.first).to eq 422
    expect(codes.last).to eq 429
  end

  it "answers broken letters and fields that only look like files with what is wrong" do
    get "/sign-in"
    post "/sign-in", "login=%c3%28&password=%ff"
    expect(status).to be_between(400, 499)
    sign_in user
    job = create(:job)
    get "/jobs/#{job.number}/look"
    send_form "/jobs/#{job.number}/photos", "photo[tempfile]" => "x", :client_id => SecureRandom.uuid
    expect(status).to eq 422
    send_form "/jobs/#{job.number}/sounds", "wav[tempfile]" => "x", :client_id => SecureRandom.uuid
    expect(status).to eq 422
    sign_in create(:user, role: "office")
    get "/imports"
    %w[imports job-files].each do |door|
      send_form "/#{door}", "file[tempfile]" => "x"
      expect([door, status]).to match [door, be_between(400, 499)]
    end
  end

  it "reads a hundred thousand odd characters at a text door as quickly as a thousand" do
    doors = {
      "a meter's line" => ->(text) { Api::MeterDoor.new(user, source: "x").take(text) },
      "a logger's file" => ->(text) { Shared::LoggerTable.of([text, "#{text},#{text},temp"], system: "si") },
      "a log as typed" => ->(text) { Shared::LoggerFile.new(text, system: "si", most: 500) },
      "a figure" => ->(text) { Fenbo::Quantities.read(text, "temperature", system: "si") },
      "a plate" => ->(text) { Fenbo.call("nameplate", {"text" => text}) }
    }
    odd = [" ", "1 ", "1,", "1/", "date", "time", "-", "0", "1;\t ", "H"]
    slow = doors.to_a.product(odd).select do |(_, door), piece|
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      door.call((piece * (100_000 / piece.size)).to_s)
      Process.clock_gettime(Process::CLOCK_MONOTONIC) - start > 2
    end
    expect(slow.map { |(name, _), piece| [name, piece] }).to eq []
  end

  it "lets an apprentice's new job be nobody else's, whatever the form says" do
    other = create(:user)
    sign_in create(:user, role: "apprentice")
    unit = create(:unit)
    get "/jobs/new"
    send_form "/jobs", unit: unit.id, complaint: "hums", technician: other.id, client_id: SecureRandom.uuid
    expect(Job.order(:number).last.technician).not_to eq other
  end

  it "opens nothing with a copy of a cookie that was signed out" do
    sign_in user
    get "/"
    copy = rack_mock_session.cookie_jar.to_hash["fenbo"]
    send_form "/sign-out"
    late = Rack::MockRequest.new(Web.app).get("/", "HTTP_COOKIE" => "fenbo=#{Rack::Utils.escape(copy)}")
    expect([late.status, late["location"]]).to match [303, include("/sign-in")]
    EndedSession.update_all(ended_at: Time.now - 16 * 86_400)
    expect { EndedSession.sweep }.to change(EndedSession, :count).by(-1)
  end

  it "ends a token with its half year, with the password and with the person" do
    ends = [
      ->(token) { token.update_columns(created_at: Time.now - 181 * 86_400) },
      ->(token) { token.user.update!(password: "another long word") }, ->(token) { token.user.update!(active: false) }
    ]
    ends.each do |ending|
      token = ApiToken.issue(create(:user), "meter")
      expect(ApiToken.user_of(token.secret)).to eq token.user
      ending[token]
      expect(ApiToken.user_of(token.secret)).to be_nil
    end
  end

  it "keeps no answer about a missing file" do
    get "/assets/none.css"
    expect([status, last_response.headers["cache-control"]]).to eq [404, "no-store"]
  end
end
