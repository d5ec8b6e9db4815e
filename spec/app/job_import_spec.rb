# frozen_string_literal: true

require_relative "app_spec_helper"

# A job from another Fenbo, beside what is here already: nothing here is changed.
RSpec.describe JobImport, :made_jobs, :rolled_back do
  let(:anew) { Hash.new { |known, id| known[id] = SecureRandom.uuid } }

  # The made job with uids of its own, as its JSON would bring it.
  def job(**entries)
    made = made_job(**entries)
    text = JSON.generate(made.as_json)
    names = text.scan(/"(?:uid|id|visit|job|fit_reading)":"([^"]+)"/).flatten.uniq
    json = JSON.parse(text)
    Fenbo::JobFile.from_json(renamed(json, names))
  end

  # Identities anew, wherever they stand.
  def renamed(json, names)
    case json
    when Hash then json.to_h { |key, value|
      [key, (%w[uid id visit job reading].include?(key) && names.include?(value)) ? anew[value] : renamed(value, names)]
    }
    when Array then json.map { |one| renamed(one, names) }
    else json
    end
  end

  def bring(job, files = {}) = described_class.new(job, files).run

  it "keeps a number that nobody has here, and goes on behind it" do
    free = Job.maximum(:number) + 1000
    said = bring(job(number: free))
    expect([said.state, said.number, said.notes]).to eq [:added, free, []]
    expect(create(:job).number).to be > free
  end

  it "gives another number where it is taken, and says so" do
    taken = Job.minimum(:number)
    said = bring(job(number: taken))
    expect(said.number).not_to eq taken
    expect(said.notes).to eq ["Number #{taken} is taken here: it is job #{said.number} now."]
  end

  it "brings its unit with fans and motors, its people who cannot sign in, and every entry as it was" do
    file = job(number: Job.maximum(:number) + 1000,
      findings: [
        found("noise", "grinding", voided_at: at(9), voided_by: person("Jorun Vey"), void_reason: "wrong fan")
      ],
      decisions: [decided("bearing_worn", override_reason: "Felt it.")],
      steps: [stepped("guard_off", fan: "evaporator-1", fasteners: 4, skipped: false)],
      visits: [Fenbo::JobFile::Visit.new(uid: "visit", technician: person, starts_at: at(0), ends_at: at(60))])
    here = JobSource.numbered(bring(file).number)
    expect(here.findings).to eq file.findings
    expect(here.decisions).to eq file.decisions
    expect([here.steps, here.visits,
      here.unit.fans.map(&:motors)]).to eq [file.steps, file.visits, file.unit.fans.map(&:motors)]
    expect(User.find_by!(name: "Jorun Vey")).to have_attributes(active: false, login: start_with("from-"))
  end

  it "adds nothing where it is known, and says whether somebody went on with one of them" do
    file = job(number: Job.maximum(:number) + 1000)
    added = bring(file)
    expect(bring(file)).to have_attributes(state: :known, number: added.number)
    other = file.with(complaint: "Two fans have stopped.")
    counts = -> { [Job, Unit, FanPosition, User].map(&:count) }
    expect { expect(bring(other).notes).to eq ["It differs from the file: what was recorded here stays as it is."] }
      .not_to change(&counts)
    expect(Job.find_by!(number: added.number).complaint).to eq file.complaint
  end

  it "leaves a unit that is here as it is" do
    first = job(number: Job.maximum(:number) + 1000)
    bring(first)
    Unit.find_by!(uid: first.unit.uid).update!(name: "Milk room, renamed")
    second = first.with(uid: SecureRandom.uuid, number: first.number + 1)
    said = bring(second)
    expect(said.notes).to eq ["The unit is here already and stays as it is."]
    expect(Job.find_by!(number: said.number).unit.name).to eq "Milk room, renamed"
  end

  it "belongs beside a job that is here, and says where that is not" do
    beside = Job.last
    near = bring(job(number: Job.maximum(:number) + 1000, beside: beside.uid))
    expect([Job.find_by!(number: near.number).beside, near.notes]).to eq [beside, []]
    anew.clear
    far = bring(job(number: Job.maximum(:number) + 1000, return_of: "1f0c7a52-0000-4000-8000-000000000000"))
    expect(far.notes).to eq ["A job it belongs with is not here: bring that in first to have them side by side."]
  end

  it "keeps recordings under names of their own, whatever theirs are" do
    stored = Fenbo::JobFile::StoredFile.new(name: "../../etc/passwd.wav", mime_type: "audio/wav", bytes: 4,
      sha256: "0" * 64)
    file = job(number: Job.maximum(:number) + 1000, readings: [read("sound", "bearing", file: stored)])
    said = bring(file, "../../etc/passwd.wav" => StringIO.new("RIFF"))
    kept = Reading.find_by!(client_id: file.readings.first.id).question["file"]
    expect(kept["id"]).to match(/\A\h{32}\.wav\z/)
    expect(JobSource.numbered(said.number).readings.first.file.sha256).to eq stored.sha256
  end

  it "takes all of it or nothing" do
    file = job(number: Job.maximum(:number) + 1000, status: "haunted")
    counts = -> { [Job, Unit, FanPosition, User].map(&:count) }
    expect { expect { bring(file) }.to raise_error(ActiveRecord::ActiveRecordError) }.not_to change(&counts)
  end
end
