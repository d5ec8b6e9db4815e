# frozen_string_literal: true

module Fenbo
  module Diagnosis
    # What a shop's own closed jobs add to the trade's figures: Dirichlet counts
    # over the defaults, which stand for as many jobs as `experience.prior_jobs` and
    # `experience.prior_findings` in limits.yml say. Ten odd jobs cannot overturn
    # them, and no rate moves by more than `experience.most_factor`.
    #
    #   rate   = default × (n·default share + own count) ÷ (n + own jobs) ÷ default share
    #   chance = (n·default + own count) ÷ (n + own findings)
    #
    # `jobs` counts closed jobs by family, side and confirmed cause:
    # {"walk_in_cooler evaporator" => {"winding_open" => 3}}; `findings` the answers
    # made on jobs of one cause, by motion: {"winding_open noise dead" => {"silent" => 2}}.
    Experience =
      Value.of(:jobs, :findings, :prior_jobs, :prior_findings, :most_factor) do
        # @param raw [Input] with jobs and findings as above
        define_singleton_method(:read) do |input, limits|
          new(
            jobs: counts(input, "jobs"),
            findings: counts(input, "findings"),
            prior_jobs: limits["experience.prior_jobs"],
            prior_findings: limits["experience.prior_findings"],
            # Under one it would turn round; one leaves the defaults alone.
            most_factor: [limits["experience.most_factor"], 1].max
          )
        end

        define_singleton_method(:counts) do |input, key|
          table = input.object(key, required: false)
          table.keys.to_h do |name|
            row = table.object(name)
            [name, row.keys.to_h { |id| [id, row.number(id, at_least: 0, at_most: 1e6) || 0] }]
          end
        end

        def none? = jobs.empty? && findings.empty?

        # By how much the shop's own jobs move a cause's base rate.
        def rate_factor(equipment, cause)
          own = jobs["#{equipment.family} #{equipment.side}"]
          return 1.0 if own.nil? || own.empty?
          share = default_share(equipment, cause)
          return 1.0 if share.zero?
          learned = (prior_jobs * share + own.fetch(cause.id, 0)) / (prior_jobs + own.values.sum)
          (learned / share).clamp(1.0 / most_factor, most_factor)
        end

        # A picture of outcomes with the shop's own answers laid over it.
        def blend(cause, test, motion, chances)
          own = findings["#{cause.id} #{test.id} #{motion}"] or return chances
          total = own.values.sum
          test.outcomes.each_index.map do |k|
            (prior_findings * chances[k] + own.fetch(test.outcomes[k], 0)) / (prior_findings + total)
          end
        end

        # Closed jobs behind a figure: of this equipment, and of this cause among them.
        def behind(equipment, cause)
          own = jobs.fetch("#{equipment.family} #{equipment.side}", {})
          {jobs: own.values.sum, of_cause: own.fetch(cause.id, 0)}
        end

        private

        def default_share(equipment, cause)
          all = Cause.all.values.select { |one| equipment.cause?(one) }
          odds = ->(one) { one.odds(equipment:, age_band: nil, recent_work: false) }
          odds[cause] / all.sum(&odds)
        end
      end

    Experience::NONE =
      Experience.new(jobs: {}.freeze, findings: {}.freeze, prior_jobs: 1, prior_findings: 1, most_factor: 1)
  end
end
