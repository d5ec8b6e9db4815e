# frozen_string_literal: true

module Fenbo
  module JobFile
    # Whose it is, with their rules. Money in whole cents.
    Customer = Shape.of(
      uid: String, name: String, contact: Shape.maybe(String), phone: Shape.maybe(String),
      overtime_allowed: Shape::FLAG, approval_limit_cents: Shape.maybe(Integer), rules: Shape.maybe(String)
    )

    # Where it stands, and how to get in.
    Site = Shape.of(
      uid: String, name: String, address: Shape.maybe(String), access_notes: Shape.maybe(String),
      hours: Shape.maybe(String), customer: Customer
    )
  end
end
