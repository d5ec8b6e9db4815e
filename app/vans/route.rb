# frozen_string_literal: true

module Vans
  # What is on somebody's van: counted, restocked, handed to a colleague.
  class Route < Shared::Route
    include Words

    KINDS = {"restocked" => "Put on", "taken" => "Taken off", "counted" => "Counted, as many are there",
             "handed_over" => "Handed to a colleague"}.freeze
    MOVES_SHOWN = 20
    CHANGES = {"restocked" => 1, "taken" => -1, "handed_over" => -1}.freeze

    get "/van" do
      next erb(:no_van) if current_user.office? && User.in_the_field.none?
      page
    end

    get "/van/labels.pdf" do
      content_type :pdf
      attachment "van-labels.pdf", :inline
      Labels.new(VanStock.where(user: owner).order(:part_no).to_a, address: request.base_url).render
    end

    post "/van" do
      need :record
      form = Shared::Form.new(params)
      read = read(form)
      halt 422, page(faults: form.faults) unless form.clean?
      keep(**read)
      back_to "/van?of=#{owner.id}",
        "#{read[:part_no]}: #{VanStock.find_by!(user: owner, part_no: read[:part_no]).count} on the van."
    rescue VanStock::Empty
      halt 422, page(faults: {"count" => "So many are not on it."})
    end

    post "/van/least" do
      need :record
      form = Shared::Form.new(params)
      least = form.whole(:least, 0..VanStock::MOST, required: true)
      part_no = known_part(form)
      halt 422, page(faults: form.faults) unless form.clean?
      VanStock.transaction { VanStock.of(owner, part_no).update!(least:) }
      back_to "/van?of=#{owner.id}", "#{part_no}: at least #{least}."
    end

    private

    # Whose van: one's own, or, for the office, anybody's in the field.
    def owner
      @owner ||= (current_user.office? && User.in_the_field.find_by(id: whole(params[:of]))) ||
        (current_user.office? ? User.in_the_field.first! : current_user)
    end

    def read(form)
      kind = form.choice(:kind, KINDS.keys, required: "What was done?")
      part_no = known_part(form)
      count = form.whole(:count, 0..VanStock::MOST, required: true)
      to = colleague if kind == "handed_over"
      form.fault(:to, "To whom?") if kind == "handed_over" && to.nil?
      {kind:, part_no:, count:, to:}
    end

    def known_part(form)
      typed = form.text(:part_no, longest: 60, required: "Which part? Its number.")
      return nil if typed.nil?
      [Motor, Spare, ::Blade].filter_map { |list| list.find_by(part_no: typed.strip.upcase)&.part_no }.first ||
        form.fault(:part_no, "No part of this number is in the catalogue.")
    end

    def colleague
      User.in_the_field.where.not(id: owner.id).find_by(id: whole(params[:to]))
    end

    def keep(kind:, part_no:, count:, to:)
      return VanStock.counted(owner, part_no, count, by: current_user, client_id:) if kind == "counted"
      VanStock.transaction do
        VanStock.change(owner, part_no, CHANGES.fetch(kind) * count, kind:, by: current_user, client_id:)
        VanStock.change(to, part_no, count, kind: "received", by: current_user, client_id: received_id) if to
      end
    end

    # The other half of handing over goes by the same press.
    def received_id = client_id.tr("0-9a-f", "1-9a-f0")

    # What this technician's jobs ordered, have here and do not need.
    def not_used
      @not_used ||= PartOrder.not_used.of(owner).includes(:job).order(:id).to_a
    end

    def page(faults: {})
      stock = VanStock.where(user: owner).order(:part_no).to_a
      moves = VanMove.where(user: owner).includes(:by, :job).order(created_at: :desc, id: :desc).limit(MOVES_SHOWN)
      erb :van, locals: {owner:, people: User.in_the_field.to_a, stock:, moves:, faults:, not_used:,
                         pieces: pieces_words([*stock, *not_used].map(&:part_no))}
    end
  end
end
