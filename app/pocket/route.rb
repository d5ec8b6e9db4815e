# frozen_string_literal: true

module Pocket
  # Jobs taken along: which there are, what a phone fetches for them, and what it brings back.
  class Route < Shared::Route
    ASSETS = File.expand_path("../../public/assets", __dir__)
    # What the phone's own page needs beside its scripts.
    NAMES = %w[fenbo.css fenbo.js tools.js pocket_shell.js fonts/next.woff2 fonts/next-ext.woff2
      fonts/mono.woff2].freeze
    # WebAssembly may be compiled by this one worker, and nothing else be loaded by it.
    WORKER = "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; connect-src 'self'"

    get "/pocket/?" do
      erb :pocket, locals: {offered: Offered.new(current_user, asked), asked:,
                            left: LeftPress.waiting.exists?(user: current_user)}
    end

    # What is cached for the day without signal; the same for everybody but for who carries it.
    get "/pocket/shell" do
      erb :shell, layout: false
    end

    get "/pocket/about.json" do
      json(release: Code.release, runtime: "/pocket/#{File.basename(runtime, ".gz")}", assets: NAMES.to_h { |name|
        [name, asset(name)]
      })
    end

    get "/pocket/me.json" do
      json(user: current_user.uid, token: csrf_token, now: Time.now.to_f, secret: Secret.of(current_user),
        today: Offered.new(current_user).today)
    end

    get "/pocket/code.json" do
      content_type :json
      cache_control :private, max_age: 86_400
      Code.json
    end

    get "/pocket/packs/:number.json" do
      json(Pack.new(job, current_user).as_json)
    end

    get "/pocket/worker.js" do
      script("pocket_worker.js", "content-security-policy" => WORKER)
    end

    get "/sw.js" do
      script("pocket_sw.js", "service-worker-allowed" => "/")
    end

    # Ten megabytes instead of thirty: packed when the scripts were built.
    get "/pocket/ruby-*.wasm" do
      halt(*nothing_here) unless request.path == "/pocket/#{File.basename(runtime, ".gz")}"
      cache_control :private, max_age: 86_400
      headers "content-encoding" => "gzip"
      send_file runtime, type: "application/wasm"
    end

    post "/pocket/sync" do
      batch = Batch.read(request.body.read)
      halt 422, json(errors: batch.faults) unless batch.clean?
      json(answers: Sync.new(env, current_user).take(batch.list))
    end

    # One press with the photo or recording that belongs to it.
    post "/pocket/sync/files" do
      batch = Batch.read_one(params[:press])
      halt 422, json(errors: batch.faults) unless batch.clean?
      files = params.to_h.select { |_, value| Shared::Sent.file?(value) }
      json(answers: Sync.new(env, current_user, files:).take(batch.list))
    end

    private

    def asked = params[:job].presence && whole(params[:job])

    def json(value)
      content_type :json
      JSON.generate(value)
    end

    def script(name, more)
      content_type :js
      headers more
      File.read(File.join(ASSETS, name))
    end

    # Named by its version.
    def runtime = Dir[File.join(ASSETS, "pocket/ruby-*.wasm.gz")].max
  end
end
