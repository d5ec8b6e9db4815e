# frozen_string_literal: true

module Units
  # Units: what they are, their fans, and what happened to them.
  class Route < Shared::Route
    include Words

    get "/units/?" do
      erb :units, locals: {units: Unit.includes(:fan_positions, site: :customer).order(:name)}
    end

    get "/units/new" do
      need :edit_units
      edit(Unit.new(family: "walk_in_cooler", site_id: whole(params[:site]), **usual_supply.symbolize_keys))
    end

    get "/units/:id" do
      history = History.new(unit, limits: Shared::Shop.limits)
      erb :unit, locals: {unit:, history:, latest: history.latest}
    end

    get "/units/:id/edit" do
      need :edit_units
      edit(unit)
    end

    post "/units" do
      need :edit_units
      keep(Unit.new)
    end

    post "/units/:id" do
      need :edit_units
      keep(unit)
    end

    # The plate of the motor that sits in a position.
    get "/units/:id/fans/:fan" do
      need :edit_units
      plate_page(typed: twin ? PlateTwin.fields(twin, current_user) : {})
    end

    post "/units/:id/fans/:fan" do
      need :edit_units
      form = PlateForm.new(fan, params, current_user)
      return looked_through(form) if LOOKS.include?(params[:only])
      halt 422, plate_page(typed: form.params, faults: form.faults, form:) unless form.save
      back_to came_from,
        ["Plate of #{unit.called(fan)} kept.", *form.clashes.map { |clash| look_again(clash.text) }].join(" ")
    end

    private

    # Buttons of the plate's page that keep nothing: the line read, its watts taken for those at
    # the shaft.
    LOOKS = %w[read shaft].freeze
    private_constant :LOOKS

    def looked_through(form)
      form = PlateForm.new(fan, form.at_shaft, current_user) if params[:only] == "shaft"
      form.check
      # What is not filled in yet is no fault of what was looked at.
      plate_page(typed: form.params, form:, faults: form.faults.slice("plate_line", "watts"))
    end

    # What does not agree on the plate: as it is typed, else as it is kept.
    def clashes(position, form)
      return form.clashes if form
      motor = position.motor_now or return []
      Fenbo::Matching::Coherence.new(motor.attributes.compact_blank, Shared::Shop.limits).clashes
    end

    def look_again(text)
      "Look again: #{text}#{"." unless text.end_with?("?")}"
    end

    # What feeds the last unit of the site, or of the shop, will mostly feed the next one.
    def usual_supply
      last = Unit.where(site_id: whole(params[:site])).order(:id).last || Unit.order(:id).last
      return last.slice(:supply_volts, :supply_phases, :supply_hertz) if last
      (current_user.unit_system == "us") ? {supply_hertz: 60} : {}
    end

    # The job the plate is noted for, where one is.
    def job
      number = whole(params[:job])
      @job ||= (JobSource.numbered(number) if unit.jobs.exists?(number:))
    end

    def position = fan

    # The station it was noted from, where it was one of a job's.
    def came_from
      return "/units/#{unit.id}" unless job
      "/jobs/#{job.number}/#{known(params[:back], %w[measure match]) || "match"}?fan=#{fan.key}"
    end

    # Another fan of the bank whose plate stands for one that is gone.
    def twin = unit.position(params[:twin])

    def plate_page(typed:, faults: {}, form: nil)
      plate = PlateFields.new(fan.motor_now, typed, length: ->(mm) { typed(mm, "length") })
      erb(:plate_edit, locals: {unit:, position: fan, plate:, typed:, faults:, form:, job:, back: params[:back].to_s})
    end

    # The words a column of the catalogue usually has.
    def usual_words(column)
      Fenbo::Knowledge.table("catalogue")["motors"][column]["usual"]
    end

    # Other fans of the bank, with a motor whose plate may stand for one that is gone.
    def twins(unit, position)
      unit.fan_positions.select { |one| one.id != position.id && one.side == position.side && one.motor_now }
    end

    def unit
      @unit ||= Unit.preload(fan_positions: :fitted_motors).eager_load(site: :customer).find_by!(address(params[:id]))
    end

    # What was typed, where it is one of these.
    def known(value, words) = words.find { |word| word == value }

    # By its number, or by the id it has on every Fenbo.
    def address(text)
      UUID.match?(text.to_s) ? {uid: text.downcase} : {id: whole(text)}
    end

    def fan = unit.position(params[:fan]) || raise(ActiveRecord::RecordNotFound)

    def edit(unit, typed: {}, faults: {})
      erb :unit_edit, locals: {unit:, typed:, faults:, sites: Site.includes(:customer).order(:name)}
    end

    def keep(unit)
      form = Form.new(unit, params, current_user)
      halt 422, edit(unit, typed: params, faults: form.faults) unless form.save
      back_to "/units/#{unit.id}", "#{unit.name} kept."
    end
  end
end
