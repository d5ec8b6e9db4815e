# frozen_string_literal: true

# The way in where there is no signal: the jobs that came along.
class Taken < Shared::Route
  set :views, File.join(__dir__, "views")

  get "/*" do
    erb :taken, locals: {packs: Phone.packs.values.sort_by { |pack| pack.job.number }}
  end
end
