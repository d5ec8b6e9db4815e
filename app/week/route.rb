# frozen_string_literal: true

module Week
  # The office's week: who goes where, how full it is, and what does not go together.
  class Route < Shared::Route
    AT_ONCE = "Somebody moved it at the same moment. Look, then move it again."

    get "/week" do
      page
    end

    # A visit dragged, or put by the form, to another hour or another person.
    post "/week/visits/:id" do
      need :assign
      visit = Visit.find(whole(params[:id]))
      move(visit.job, visit: visit.id, version: (whole(params[:version]) if params[:version]))
    end

    # A job nobody is planned for.
    post "/week/jobs/:number" do
      need :assign
      move(Job.find_by!(number: whole(params[:number])), visit: nil)
    end

    private

    def move(record, **seen)
      form = MoveForm.new(params)
      to = form.read or halt 422, page(faults: form.faults, at_fault: record)
      Logbook.new(record, current_user).take(Entries::VisitMoved.new(**seen, **to))
      back_to "/week", "#{record.unit.name}: #{to[:technician].first_name}, #{day_clock(to[:at])}."
    rescue Logbook::Refused => problem
      halt 422, page(faults: {problem.field.to_s => problem.message}, at_fault: record)
    rescue ActiveRecord::StaleObjectError
      halt 409, page(faults: {"visit" => AT_ONCE}, at_fault: record)
    end

    def page(faults: {}, at_fault: nil)
      erb :week, locals: {plan: Plan.new(now: Time.now, limits: Shared::Shop.limits), faults:, at_fault:}
    end

    # "12 visits, 3 jobs nobody is planned for"
    def week_words(plan)
      "#{count(plan.lanes.sum { |lane| lane.blocks.size }, "visit")}, " \
        "#{count(plan.unplanned.size, "job")} nobody is planned for"
    end

    # "4 h 30 planned of 42 h"
    def load_words(lane)
      "#{hours_words(lane.planned / 60.0)} planned of #{lane.room / 60} h"
    end
  end
end
