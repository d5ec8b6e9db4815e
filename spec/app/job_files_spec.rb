# frozen_string_literal: true

require_relative "app_spec_helper"
require "json_schemer"

# A job out and in again, as on another Fenbo: every uid made anew, so that nothing of it
# is here yet.
RSpec.describe "job files", :rolled_back do
  before do
    sign_in create(:user, role: "office")
    get "/settings"
  end

  let(:uuid) { /\b\h{8}-\h{4}-\h{4}-\h{4}-\h{12}\b/ }

  # [job.json as text, {file name => bytes}] of a job, as brought out at the door.
  def brought_out(number)
    get "/jobs/#{number}/job-file.zip"
    expect(status).to eq 200
    entries = Zip::InputStream.open(StringIO.new(last_response.body)) { |zip|
      found = {}
      while (entry = zip.get_next_entry)
        found[entry.name] = zip.read
      end
      found
    }
    get "/job-files"
    [entries.delete("job.json").force_encoding("UTF-8"), entries]
  end

  def from_elsewhere(text)
    anew = Hash.new { |known, id| known[id] = SecureRandom.uuid }
    [text.gsub(uuid) { |id| anew[id] }, anew]
  end

  def packed(text, files)
    bytes = Zip::OutputStream.write_buffer { |zip|
      {"job.json" => text, **files}.each do |name, content|
        zip.put_next_entry(name)
        zip.write(content)
      end
    }.string
    upload(bytes)
  end

  def upload(bytes)
    file = Tempfile.new(["job", ".zip"], binmode: true)
    file.write(bytes)
    file.rewind
    Rack::Test::UploadedFile.new(file.path, "application/zip", original_filename: "job.zip")
  end

  def bring_in(text, files = {})
    send_form "/job-files", file: packed(text, files)
  end

  # Of a ledger a file brings what was noted on its own job; the rest comes with the others.
  def own_ledger(json)
    own = ->(list) { list.select { |one| one["job"] == json["uid"] } }
    circuits = json["unit"]["circuits"].map do |one|
      leaks = own[one["leaks"]].map { |leak| leak.merge("checks" => own[leak["checks"]]) }
      one.merge("moves" => own[one["moves"]], "leaks" => leaks)
    end
    json.merge("unit" => json["unit"].merge("circuits" => circuits)).except("number")
  end

  def equal_but_for_number(job, json)
    expect(own_ledger(job.as_json)).to eq own_ledger(json)
  end

  it "come out and in equal, every open job and some of the closed, and twice changes nothing" do
    closed = Job.where(status: "closed").order(:number).pluck(:number)
    held = {stopgap: "ice", at: Time.now.utc.iso8601(6), c: 5.0, end_c: 12.5, tau_hours: 28.0}
    Job.open.order(:number).first.update!(drift_from: held)
    (Job.open.pluck(:number) + closed.sample(12, random: Random.new(5))).each do |number|
      text, files = brought_out(number)
      # Jobs it belongs with stay where they were.
      alone = JSON.parse(text).merge("beside" => nil, "return_of" => nil)
      changed, anew = from_elsewhere(JSON.generate(alone))
      files = files.transform_keys { |name| name.gsub(uuid) { |id| anew[id] } }
      bring_in changed, files
      expect([number, status]).to eq [number, 200]
      expect(page).to match(/Job \d+ is in/)
      json = JSON.parse(changed)
      equal_but_for_number(JobSource.uid(json["uid"]), json)
      counts = [Job, Reading, Finding, Photo, User, FittedMotor, Motor].map(&:count)
      bring_in changed, files
      expect(page).to include "was here already"
      expect([Job, Reading, Finding, Photo, User, FittedMotor, Motor].map(&:count)).to eq counts
    end
  end

  it "is what its schema says, and kept in docs/formats.md" do
    schema = JSONSchemer.schema(Fenbo::JobFile.schema)
    Job.order(:number).pluck(:number).first(8).each do |number|
      expect(schema.validate(JSON.parse(brought_out(number).first)).to_a).to eq []
    end
    expect(JSON.parse(File.read("docs/job-file.schema.json"))).to eq JSON.parse(JSON.generate(Fenbo::JobFile.schema))
  end

  describe "that cannot be taken" do
    def refused(text, files = {})
      before = Job.count
      bring_in text, files
      expect(status).to eq 422
      expect(Job.count).to eq before
      page
    end

    let(:json) { JSON.parse(from_elsewhere(brought_out(Finding.first.job.number).first).first) }

    it "say what is wrong, and nothing is taken" do
      expect(refused("{")).to include "is not understood"
      expect(refused("{}")).to include "no job file of version 1"
      expect(refused(JSON.generate(json.merge("complaint" => 7)))).to include "complaint must be"
      expect(refused(JSON.generate(json.merge("status" => "haunted")))).to include "cannot be kept"
      json["findings"].first["test"] = "<seance>"
      json["findings"].last["fan"] = "evaporator-11"
      expect(refused(JSON.generate(json))).to include("findings.0.test", "&lt;seance&gt;", "no “evaporator-11”")
      send_form "/job-files", file: upload("no zip")
      expect([status, page]).to match [422, include("no zip file")]
      send_form "/job-files"
      expect([status, page]).to match [422, include("Choose a file first")]
    end

    it "are found out where a recording was changed on its way" do
      number = Reading.where(kind: "sound").first.job.number
      text, files = brought_out(number)
      changed, anew = from_elsewhere(JSON.generate(JSON.parse(text).merge("beside" => nil, "return_of" => nil)))
      files = files.transform_keys { |name| name.gsub(uuid) { |id| anew[id] } }
      expect(refused(changed, files.transform_values { |bytes| bytes.reverse })).to include "changed or cut on its way"
      expect(refused(changed)).to include "is missing"
    end
  end

  it "are brought in by the office alone" do
    sign_in create(:user, role: "technician")
    get "/job-files"
    expect(status).to eq 403
  end
end
