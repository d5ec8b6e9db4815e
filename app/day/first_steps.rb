# frozen_string_literal: true

module Day
  # What a shop that begins notes before its first job, and how much of it is there.
  class FirstSteps
    # `action` is what one's role has to allow; whoever may not do it sees who does.
    Step = Fenbo::Value.of(:words, :why, :path, :action, :done)

    # @return [Array<Step>] in their order; none once there was a job
    def self.list
      return [] if Job.exists?
      [
        Step.new(words: "People who go out", why: "a technician takes the readings and decides",
          path: "/settings#people", action: :manage_people, done: User.in_the_field.exists?),
        Step.new(words: "A customer with a site", why: "their rules, hours and the way in", path: "/customers/new",
          action: :add_customers, done: Site.exists?),
        Step.new(words: "A unit with its fans", why: "what it holds, and the limit that must not be passed",
          path: "/units/new", action: :edit_units, done: Unit.exists?),
        Step.new(words: "Motors, blades and parts", why: "files in CSV; without them nothing can be matched",
          path: "/imports", action: :edit_catalogue, done: Motor.exists?),
        Step.new(words: "The first job", why: "its product's clock starts here", path: "/jobs/new", action: :open_job,
          done: false)
      ]
    end
  end
end
