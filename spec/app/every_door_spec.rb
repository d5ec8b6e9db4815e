# frozen_string_literal: true

require_relative "app_spec_helper"
require "nokogiri"

# Walks every page of a job and the shop, takes every form found there, and sends it
# with nonsense: nothing may break, and who may not, may not.
RSpec.describe "every door", :rolled_back do
  nonsense = [
    "",
    " ",
    "-1",
    "0",
    "1e400",
    "٣",
    "<b>x</b>",
    "'; drop table jobs; --",
    "x" * 6_000,
    "9" * 40,
    "2031-02-30T99:99",
    "\u0000x",
    "{\"a\":",
    "[[1,2],[3]]"
  ]
  let(:nonsense) { nonsense }
  # A password link is known by its secret alone.
  let(:open) { %w[/up /sign-in /first-run /new-password/1 /sheet/1 /quote/1 /calendar/1.ics] }
  let(:job) { Job.open.find { |one| one.unit.family == "walk_in_cooler" && one.readings.any? } }
  let(:closed) { Job.where(status: "closed").order(:number).last }

  def routes(verb)
    LOADER.eager_load
    (Shared::Route.subclasses - [Shared::Nowhere])
      .flat_map { |one| one.routes.fetch(verb, []).map { |pattern, *| pattern.to_s } }
      .uniq
  end

  # A pattern with something real in it.
  def address(pattern)
    pattern
      .sub(":number", job.number.to_s)
      .sub(":fan", "evaporator-1")
      .sub(":tool", "amps")
      .sub(%r{/customers/:id}, "/customers/#{Customer.first.id}")
      .sub(%r{/units/:id}, "/units/#{job.unit_id}")
      .sub(%r{/readings/:id}, "/readings/#{job.readings.first.id}")
      .gsub(":secret.ics", "1.ics")
      .gsub(/:\w+(\.\w+)?/, "1")
      .delete_suffix("?")
      .sub("/*", "/nowhere")
  end

  def pages
    fans = job.unit.fan_positions.map(&:key).first(1)
    %w[/jobs/new /units/new /customers/new /settings /bench /learning /parts] +
      Fenbo::Tools.names.map { |tool| "/bench/#{tool}" } +
      [
        "/units/#{job.unit_id}/edit",
        "/customers/#{Customer.first.id}",
        *fans.map { |fan| "/units/#{job.unit_id}/fans/#{fan}" }
      ] +
      [job, closed].flat_map do |one|
        (Job::STATIONS + %w[frost sounds report]).map { |station| "/jobs/#{one.number}/#{station}" }
      end + %w[phases windings capacitor].map { |tool| "/jobs/#{job.number}/measure?tool=#{tool}" } +
      ["/jobs/#{job.number}/look?test=noise", "/jobs/#{job.number}/look?part=motor"] + parts
  end

  def parts
    [
      "/imports",
      "/parts?kind=blades",
      "/parts?kind=accessories",
      "/parts/motors/KA-K4-I",
      "/jobs/#{job.number}/fitting?part=BR-U12-230",
      "/jobs/#{job.number}/match?q=brs",
      "/jobs/#{job.number}/beside?parts[]=BR-U12-230&parts[]=nothing"
    ]
  end

  # [method, action, {name => value}] of each form that is unlike the others.
  def forms
    @forms ||=
      pages
        .flat_map do |path|
          get path
          Nokogiri
            .HTML5(page)
            .css("form")
            .map { |form| [form["method"].to_s.downcase, form["action"] || path, fields(form)] }
        end
        .uniq { |method, action, fields| [method, action.gsub(/\d+/, "N"), fields.keys] }
  end

  def fields(form)
    form
      .css("input[name], select[name], textarea[name], button[name]")
      .reject { |one| one["type"] == "file" || one["name"] == "authenticity_token" }
      .to_h { |one| [one["name"], one["value"] || one.at_css("option[selected]")&.[]("value") || one.text.strip] }
  end

  # Some nonsense in all fields at once, and each field wrong in one way: none, of
  # another shape, or nonsense.
  def tries(action, fields)
    turn = action.sum
    nonsense.rotate(turn).first(5).map { |value| fields.transform_values { value } } +
      fields.keys.each_with_index.map do |name, index|
        [
          fields.except(name),
          fields.merge(name => {"a" => ["b"]}),
          fields.merge(name => nonsense[(turn + index) % nonsense.size])
        ][
          (turn + index) % 3
        ]
      end
  end

  # The status, or what was raised.
  def outcome(method, action, fields)
    set_cookie "fenbo=#{Rack::Utils.escape(@cookie)}"
    ActiveRecord::Base.transaction(requires_new: true) do
      (method == "post") ? post(action, {authenticity_token: @token}.merge(fields)) : get(action, fields)
      raise ActiveRecord::Rollback
    end
    status
  rescue => problem
    "#{problem.class}: #{problem.message.lines.first(2).join} at #{problem.backtrace.grep(%r{/app/}).first}"
  end

  it "sends strangers away from every page, and takes no post without a token" do
    clear_cookies
    routes("GET")
      .map { |pattern| address(pattern) }
      .each do |path|
        get path
        next if open.include?(path)
        expect([path, status]).to eq [path, path.start_with?("/api") ? 401 : 303]
        expect(last_response.location).to include "/sign-in" if status == 303
      end
    routes("POST")
      .map { |pattern| address(pattern) }
      .each do |path|
        post path, {name: "x"}
        expect([path, status]).to eq [path, {"/left" => 303}.fetch(path) { path.start_with?("/api") ? 401 : 403 }]
      end
  end

  %w[technician office].each do |role|
    it "stands any nonsense in any form from the #{role}", slow: true do
      sign_in create(:user, role:)
      get "/settings"
      @token = token
      @cookie = rack_mock_session.cookie_jar.to_hash["fenbo"]
      seen = Hash.new(0)
      broken =
        forms
          .reject { |_, action, _| action == "/sign-out" }
          .flat_map do |method, action, fields|
            tries(action, fields).filter_map do |one|
              seen[answered = outcome(method, action, one)] += 1
              unless answered.is_a?(Integer) && answered < 500
                "#{method} #{action} #{answered} #{one.transform_values { |value| value.to_s[0, 40] }}"
              end
            end
          end
      expect(broken).to be_empty, broken.first(12).join("\n")
      expect(seen.fetch(422) + seen.fetch(303)).to be > 100
    end
  end
end
