# frozen_string_literal: true

# After a job is closed or opened again: what the shop's jobs teach, counted anew.
class Learn < WorkQueue::Work
  def run = ShopExperience.recount
end
