# frozen_string_literal: true

require "securerandom"

module Fenbo
  module JobFile
    # Who was at a job's unit and when, as far as what they recorded tells. A visit that nobody
    # ended goes on as long as something is recorded in it; a planned one begins with the first
    # thing recorded, not with the hour it was planned for.
    class Presence
      # What an arrival makes of the visits: `visit` as it stands now, new or planned or going on,
      # and which of the others are over, {uid => Time}.
      Arrival = Value.of(:visit, :over)

      # @param job [Job]
      # @param limits [Limits]
      def initialize(job, limits)
        @job = job
        @limits = limits
      end

      # Those that somebody made, or is on.
      # @return [Array<Visit>]
      def made = @job.visits.select { |visit| begun?(visit) }

      # The visit of this moment.
      # @return [Visit, nil] nil where nobody is there
      def at(now)
        made.reverse.find { |visit| visit.covers?(now) && !silent?(visit, now) }
      end

      # Somebody records something now: in the visit that goes on, else in the one that was planned
      # for about now, else in a new one.
      # @param by [Person]
      # @return [Arrival]
      def arrive(by, now)
        here = at(now) || begin_visit(by, now)
        over = made.select { |visit| visit.uid != here.uid && visit.going_on?(now) }
        Arrival.new(visit: here, over: over.to_h { |visit| [visit.uid, last_sign(visit)] })
      end

      # The job ends: when each visit that nobody ended was over; nil for one that was only planned.
      # Whoever was due and closes the job was there, though nothing was left to record.
      # @return [Hash{String => Time, nil}]
      def close(now)
        here = at(now) || due(now)
        @job.visits.reject(&:ends_at).to_h { |visit|
          over = last_sign(visit) if begun?(visit)
          [visit.uid, (visit == here) ? now : over]
        }
      end

      # The last moment at which something was recorded in a visit.
      def last_sign(visit) = [visit.starts_at, *signs(visit)].max

      # Whether nothing has been recorded in a visit for too long.
      def silent?(visit, now)
        visit.ends_at.nil? && now - last_sign(visit) > hours("presence.silent_hours")
      end

      private

      def begun?(visit)
        !visit.ends_at.nil? || !visit.arrival_c.nil? || !visit.leaving_c.nil? || signs(visit).any?
      end

      def begin_visit(by, now)
        planned = @job.visits.find { |visit| !begun?(visit) && visit.starts_at <= now + hours("presence.early_hours") }
        here = planned || Visit.new(uid: SecureRandom.uuid, technician: by, starts_at: now, ends_at: nil,
          purpose: "on site", arrival_c: nil, leaving_c: nil)
        here.with(starts_at: now, arrival_c: @job.box_c)
      end

      def due(now)
        @job.visits.reverse.find { |visit| visit.going_on?(now) && !silent?(visit, now) }
      end

      # Entries say in which visit they were made; steps and checks fall into one by their time.
      def signs(visit)
        @signs ||= {}
        @signs[visit.uid] ||= entries.select { |entry| entry.visit == visit.uid }.map(&:taken_at) + done_in(visit)
      end

      def entries
        [*@job.findings, *@job.readings, *@job.photos, *@job.decisions]
      end

      def done_in(visit)
        following = @job.visits.find { |other| other.starts_at > visit.starts_at && other.uid != visit.uid }
        [*@job.steps, *@job.proof_checks].map(&:done_at).select { |at|
          at >= visit.starts_at && (following.nil? || at < following.starts_at)
        }
      end

      def hours(name) = @limits[name] * 3600
    end
  end
end
