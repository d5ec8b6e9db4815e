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
        last = @job.quotes.to_a.flat_map(&:answers).max_by(&:at)
        last if last&.approved?
      end

      # Up to what may be spent; nil without end.
      def free_up_to
        return nil if limit_cents.nil?
        [limit_cents, given&.net_cents].compact.max
      end

      def asks?(cents) = !free_up_to.nil? && cents > free_up_to

      # What the offers taken so far cost, without the product at risk.
      # @param except [String] key of a fault that is decided anew
      def committed(except: nil)
        @job.faults.reject { |fault| fault.key == except }.sum { |fault| cost_of(fault.part_choice&.offer) }
      end

      def cost_of(offer)
        return 0 unless offer
        offer.fetch("total_cents", 0) - offer.fetch("product_loss_cents", 0)
      end
    end
  end
end
