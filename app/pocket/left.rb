# frozen_string_literal: true

module Pocket
  # What phones left for people who could not sign in: left here by a ticket, taken in by the
  # person themself or by the office, under the name of whoever pressed it.
  class Left < Shared::Route
    get "/left" do
      erb :left, locals: {people: waiting.includes(:user).group_by(&:user)}
    end

    # By the phone, without anybody signed in. The file of a press comes with it.
    post "/left" do
      content_type :json
      batch = params[:press] ? Batch.read_one(params[:press]) : Batch.read(request.body.read)
      halt 422, JSON.generate(errors: batch.faults) unless batch.clean?
      files = params.to_h.select { |_, value| Shared::Sent.file?(value) }.transform_values { |one| one[:tempfile] }
      halt 422, JSON.generate(errors: [{field: "entries", message: "are too many to be left"}]) if
        LeftPress.full?(owner, file: files.any?)
      batch.list.each { |press| LeftPress.leave(owner, press, files) }
      JSON.generate(answers: batch.list.map { |press| {order: press.order, id: press.id, answer: "taken"} })
    end

    post "/left/people/:uid" do
      need :claim unless params[:uid] == current_user.uid
      person = User.find_by!(uid: params[:uid])
      taken = waiting.where(user: person, answer: nil).to_a.count { |row| settle(row) }
      back_to "/left", "#{taken} of #{person.name}'s taken in."
    end

    post "/left/:id" do
      row = waiting.find(whole(params[:id]))
      need :claim unless row.user_id == current_user.id
      (params[:what] == "anyway") ? settle(row, anyway: true) : done(row, "let go")
      back_to "/left", "Settled."
    end

    private

    def open_door? = request.post? && request.path == "/left" && !owner.nil?

    # A ticket stands for its owner; a stranger without one is told to sign in.
    def writing? = (request.path == "/left") ? false : super

    def owner
      return @owner if defined?(@owner)
      @owner = LeftPress.owner(env["HTTP_X_POCKET_TICKET"])
    end

    # The office sees everybody's, others their own.
    def waiting
      may?(:claim) ? LeftPress.waiting : LeftPress.waiting.where(user: current_user)
    end

    # @return [Boolean] whether it was taken
    def settle(row, anyway: false)
      told = row.with_files { |files| Sync.new(env, row.user, files:).take([press(row, anyway)]).first }
      return false unless told
      return done(row, told[:answer]) if %w[taken repeat].include?(told[:answer])
      row.update!(answer: told[:answer], sentence: told[:sentence])
      false
    end

    # As a phone's own batch has it.
    def press(row, anyway)
      Batch::Press.new(order: row.id, id: row.client_id, anyway:, held_seconds: 0,
        **row.slice("path", "body", "seen", "pressed_at").symbolize_keys)
    end

    def done(row, answer)
      row.update!(answer:, settled_at: Time.now, settled_by: current_user)
      AuditEntry.create!(user: current_user, action: "settled what a phone left: #{answer}", record_type: "LeftPress",
        record_id: row.id, changes_made: {"of" => row.user.name, "path" => row.path}, created_at: Time.now)
      true
    end
  end
end
