# frozen_string_literal: true

# What each role may do. An apprentice does the work, and what they decide or
# close waits for a technician's countersign.
module Policy
  ROLES = {
    read: %w[technician office apprentice],
    record: %w[technician apprentice],
    decide: %w[technician apprentice],
    countersign: %w[technician],
    move_refrigerant: %w[technician apprentice],
    open_job: %w[technician office apprentice],
    quote: %w[technician apprentice office],
    assign: %w[technician office],
    edit_units: %w[technician office],
    add_customers: %w[technician office],
    edit_customers: %w[office],
    edit_catalogue: %w[office],
    edit_shop: %w[office],
    manage_people: %w[office],
    bring_in: %w[office],
    claim: %w[office],
    bundle_reports: %w[technician office]
  }.freeze

  WORDS = {
    record: "Readings and findings are for technicians and apprentices.",
    decide: "Deciding and closing are for technicians and apprentices.",
    countersign: "A countersign is for technicians.",
    move_refrigerant: "Refrigerant is moved by licensed people only; the office notes who is.",
    assign: "Handing out jobs is for technicians and the office.",
    edit_units: "Units are kept by technicians and the office.",
    add_customers: "New customers are noted by technicians and the office.",
    edit_customers: "Customers are kept by the office.",
    edit_catalogue: "The catalogue is kept by the office.",
    edit_shop: "The shop's settings are kept by the office.",
    manage_people: "People are kept by the office.",
    bring_in: "Job files are brought in by the office.",
    claim: "What others left is taken in by the office.",
    bundle_reports: "Reports of many jobs are for technicians and the office."
  }.freeze

  # What needs a licence beside the role.
  LICENSED = %i[move_refrigerant].freeze

  module_function

  def allows?(user, action)
    ROLES.fetch(action).include?(user.role) && (user.licensed? || !LICENSED.include?(action))
  end

  def why_not(action) = WORDS.fetch(action, "Your role does not allow this.")
end
