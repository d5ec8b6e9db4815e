# frozen_string_literal: true

module Fenbo
  # Where the part can come from, when the work would be done, what it costs in
  # all, and what that does to the product.
  #   Source    the tool
  #   Question  what is asked: the customer's rules, the offers, the stopgaps
  #   WorkHours the technician's or a counter's week
  #   SiteHours when a site lets somebody in
  #   Ready     when the part of one offer is in hand
  #   Option    one offer with one stopgap, costed
  #   PaidOnce  what several ways of one job share
  module Sourcing
    autoload :Offer, "fenbo/sourcing/question"
    autoload :Option, "fenbo/sourcing/option"
    autoload :PaidOnce, "fenbo/sourcing/paid_once"
    autoload :Question, "fenbo/sourcing/question"
    autoload :Ready, "fenbo/sourcing/ready"
    autoload :SiteHours, "fenbo/sourcing/site_hours"
    autoload :Source, "fenbo/sourcing/source"
    autoload :Stopgap, "fenbo/sourcing/question"
    autoload :WorkHours, "fenbo/sourcing/work_hours"
  end
end
