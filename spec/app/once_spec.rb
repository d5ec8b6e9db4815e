# frozen_string_literal: true

require_relative "app_spec_helper"

# The same press again does nothing and is answered as it was the first time.
RSpec.describe Shared::Once do
  describe "one after another", :rolled_back do
    let(:technician) { create(:user) }
    let(:job) { create(:job) }
    let(:id) { SecureRandom.uuid }

    before do
      sign_in technician
      get "/jobs/#{job.number}/measure"
    end

    def amps(**more)
      send_form "/jobs/#{job.number}/readings", fan: "evaporator-1", tool: "amps", amps: "0.62", client_id: id, **more
      [last_response.status, last_response["location"]]
    end

    it "answers a reading as it did, whatever was changed on the server since" do
      first = amps
      technician.update!(meter: {"counts" => 6000, "percent" => 1.0, "digits" => 3})
      job.visits.create!(technician:, starts_at: Time.now, purpose: "return")
      expect(amps(held_seconds: "30")).to eq first
      expect(Reading.where(job:).count).to eq 1
      job.update!(status: "closed", closed_at: Time.now)
      expect(amps).to eq first
      expect(Reading.where(job:).count).to eq 1
    end

    it "keeps one photo however its file is called, and two of two pictures" do
      [["a.png", "\xFF\0\0"], ["b.png", "\xFF\0\0"], ["b.png", "\0\0\xFF"]].each do |name, colour|
        photo = picture(png(colour:), name:)
        send_form "/jobs/#{job.number}/photos", fan: "evaporator-1", client_id: id, photo:
      end
      expect(Photo.where(job:).count).to eq 2
    end

    it "takes other figures from an old page as another reading" do
      amps
      amps amps: "0.81"
      expect(Reading.where(job:).pluck(Arel.sql("typed->>'amps'"))).to contain_exactly "0.62", "0.81"
    end

    it "does not remember what was refused" do
      expect {
        2.times do
          amps amps: "much"
          expect(last_response.status).to eq 422
        end
      }.not_to change(TakenPost, :count)
      expect(amps.first).to eq 303
    end

    it "gives what is shown once again to whoever sent it, and to nobody else" do
      address = "/jobs/#{job.number}/sheet"
      secrets = Array.new(2) {
        send_form address, client_id: id
        page[%r{/sheet/[\w-]{20,}}]
      }
      expect(secrets.uniq).to match [be_present]
      expect(SheetLink.where(job:).count).to eq 1
      expect(TakenPost.order(:id).last.attributes.values.join).not_to include secrets.first
      sign_in create(:user)
      get "/jobs/#{job.number}/hand_over"
      send_form address, client_id: id
      expect([last_response.status, page]).to eq [303, ""]
      expect(SheetLink.where(job:).count).to eq 1
    end

    it "makes one customer, one job and one token of two presses" do
      sign_in create(:user, role: "office")
      get "/customers/new"
      {
        "/customers" => [Customer, {name: "Halvor & Daughters", site_name: "Quay"}],
        "/jobs" => [Job, {unit: job.unit_id, complaint: "It hums"}],
        "/settings/tokens" => [ApiToken, {label: "Meter on van 2"}]
      }.each do |path, (kind, fields)|
        press = SecureRandom.uuid
        before = kind.count
        2.times { send_form path, client_id: press, **fields }
        expect([path, kind.count - before]).to eq [path, 1]
      end
    end
  end

  # Each in a session and on a connection of its own, on rows that are really there.
  describe "at the same moment" do
    let!(:job) { create(:job) }
    let!(:user) { create(:user) }

    # What was recorded stays for good; nobody else is to stumble over it.
    after do
      user.update!(active: false)
      job.update!(status: "cancelled", cancel_reason: "made by a spec", closed_at: Time.now)
    end

    it "takes one of four posts sent at the same moment, and answers all four alike" do
      id = SecureRandom.uuid
      answers = at_once(4, user, "/jobs/#{job.number}/hand_over") { |one|
        one.post "/jobs/#{job.number}/findings", authenticity_token: csrf(one),
          fan: "evaporator-1", test: "noise", outcome: "silent", client_id: id
        [one.last_response.status, one.last_response["location"]]
      }
      expect(answers.uniq).to match [[303, be_present]]
      expect(Finding.where(job:).count).to eq 1
      answers = at_once(4, user, "/jobs/#{job.number}/hand_over") { |one|
        one.post "/jobs/#{job.number}/hand_over", authenticity_token: csrf(one),
          summary: SecureRandom.hex, version: "0", client_id: SecureRandom.uuid
        one.last_response.status
      }
      expect(answers.tally).to eq(303 => 1, 409 => 3)
    end
  end

  it "makes one first person of many presses at once" do
    allow(User).to receive(:any?).and_wrap_original { |asked| User.where(login: "first").exists? || asked.call.nil? }
    allow(User).to receive(:none?).and_return(true)
    ready = Array.new(4) { Rack::Test::Session.new(app).tap { |one| one.get "/first-run" } }
    answers = together(ready) { |one|
      one.post "/first-run", authenticity_token: csrf(one), name: "First", login: "first",
        password: "a long enough word"
      [one.last_response.status, one.last_response["location"].to_s[%r{\w(/.*)}, 1]]
    }
    expect(User.where(login: "first").count).to eq 1
    expect(answers.tally).to eq([303, "/settings"] => 1, [303, "/"] => 3)
  ensure
    User.where(login: "first").destroy_all
  end

  def csrf(one) = one.last_response.body[/name="csrf" content="([^"]+)"/, 1]

  def at_once(count, user, page)
    ready = Array.new(count) {
      Rack::Test::Session.new(app).tap { |one|
        one.get "/sign-in"
        one.post "/sign-in", authenticity_token: csrf(one),
          login: user.login, password: "a long enough word"
        one.get page
      }
    }
    together(ready) { |one| yield one }
  end

  def together(list) = list.map { |one| Thread.new { yield one } }.map(&:value)
end
