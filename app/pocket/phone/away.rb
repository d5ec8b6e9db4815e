# frozen_string_literal: true

# What is asked for without signal and did not come along.
class Away < Shared::Route
  # Stations that want the signal, and which one goes on without.
  INSTEAD = {"call" => "look", "match" => "decide", "source" => "fit"}.freeze

  set :views, Shared::Route::SHARED_VIEWS

  %i[get post].each do |verb|
    public_send(verb, "/*") do
      refuse(503, "This needs the signal",
        "Look, Measure, Decide, Work, Prove and Hand over of the jobs you took along work here, and the bench; at " \
          "Match one of the motors that fit best can be chosen. The rest waits until there is signal.")
    end
  end

  private

  def home
    taken = Phone.pack&.job or return super
    ["/jobs/#{taken.number}/#{INSTEAD.fetch(taken.station, taken.station)}", "Back to job #{taken.number}"]
  end
end
