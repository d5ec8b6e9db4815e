# frozen_string_literal: true

module Fenbo
  module Decision
    # Whether a job may cost so much without another yes: up to the customer's limit nobody has
    # to be asked, above it as far as somebody approved. Before tax, in whole cents.
    #
    #   Approval.new(job).asks?(48_000)   #=> true
    class Approval
      # @param job [JobFile::Job]
      def initialize(job)
        @job = job
      end

      # The customer's own, nil where they never want to be asked.
      def limit_cents = @job.unit.site.customer.approval_limit_cents

      # The yes that stands, if the last answer was one.
      # @return [JobFile::QuoteAnswer, nil]
      def given
        last = answers.max_by(&:at)
        last if last&.approved?
      end

      # Whether what was agreed to asks for anything at this fault's place; true where nobody was asked.
      # @param fault [JobFile::Fault]
      def covers?(fault)
        given.nil? || agreed_lines.any? { |line| line["place"] == fault.place }
      end

      # What was agreed to, line by line; none where nobody has said yes.
      # @return [Array<Hash>] "what", "kind", "cents", "place", "evidence"
      def agreed_lines
        yes = given or return []
        quote_of(yes).option(yes.option).to_h["lines"].to_a
      end

      # Up to what may be quoted; nil without end.
      def free_up_to = upper(given&.net_cents)

      # @param cents [Integer] as it is quoted, after a discount
      def asks?(cents) = !free_up_to.nil? && cents > free_up_to

      # Whether what is taken, and this offer with it, has to be asked for first.
      # @param offer [Hash, nil] as it is kept with a part
      # @param except [String, nil] key of a fault that is decided anew
      def asks_with?(offer = nil, except: nil)
        free = upper(agreed_cents) or return false
        together(offer, except) > free
      end

      # What that comes to, with the discount of what was agreed.
      # @return [Integer] cents before tax
      def comes_to(offer, except: nil)
        (together(offer, except) * (given ? given.net_cents.fdiv(agreed_cents) : 1)).round
      end

      # What the offers taken so far cost, without the product at risk.
      def committed = costs.values.sum

      # The same of each fault, by its key.
      # @return [Hash{String => Integer}]
      def costs
        faults = @job.faults.select { |fault| fault.part_choice&.offer }
        faults.map(&:key).zip(shares(faults.map { |fault| fault.part_choice.offer })).to_h
      end

      private

      def upper(agreed) = limit_cents && [limit_cents, agreed].compact.max

      def answers = @job.quotes.to_a.flat_map(&:answers)

      # What was agreed to, before the discount that it was agreed with.
      def agreed_cents
        yes = given or return nil
        quote_of(yes).option(yes.option)&.fetch("lines_cents", nil) || yes.net_cents
      end

      def quote_of(answer)
        @job.quotes.find { |one| one.answers.include?(answer) }
      end

      def together(offer, except) = shares([*taken(except), offer].compact).sum

      def taken(except)
        @job.faults.reject { |fault| fault.key == except }.filter_map { |fault| fault.part_choice&.offer }
      end

      # What each offer adds: what is done once for all of them is paid once.
      def shares(offers)
        paid = Sourcing::PaidOnce.new(offers.map { |offer| Sourcing::PaidOnce::Way.of(offer) }).lines
        offers.zip(paid).map { |offer, own| cost_of(offer) - sum(offer["lines"].to_a - own) }
      end

      def cost_of(offer)
        offer.fetch("total_cents", 0) - offer.fetch("product_loss_cents", 0)
      end

      def sum(lines) = lines.sum { |line| line["cents"] }
    end
  end
end
