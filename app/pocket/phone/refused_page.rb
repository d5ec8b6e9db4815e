# frozen_string_literal: true

# A page that refused a form has no address of its own here: reloaded, its form is shown anew.
class RefusedPage
  # @return [RefusedPage]
  def self.create!(**) = new

  def path = Phone.path
end
