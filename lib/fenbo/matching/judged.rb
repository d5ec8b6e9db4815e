# frozen_string_literal: true

module Fenbo
  module Matching
    # One candidate with the lines of its checks, its grade, and what has to be bought,
    # done and moved across with it.
    Judged =
      Value.of(:motor, :lines, :effects, :place, :old) do
        def failing = lines.select { |line| line.result == "fail" }

        def adapting = lines.select { |line| line.result == "adapt" }

        def rejected? = failing.any?

        def grade
          return nil if rejected?
          return "conversion" if converts?
          adapting.empty? ? "drop_in" : "fits_with_work"
        end

        # A kit that changes family, blade or plate.
        def converts?
          motor.kit? && (motor.family != old.family || motor.kit_with?(:blade) || motor.kit_with?(:plate))
        end

        def minutes
          adapting.sum(&:minutes) + (motor.kit? ? motor.kit_minutes.to_i : 0)
        end

        # The work its checks ask for, its kit's and its settings, as the work plan takes them.
        # @return [Array<Hash>] {id, minutes, text where it has words of its own}
        def extra_work
          adapting.select(&:work).map { |line| {id: line.work, minutes: line.minutes.ceil} } + kit_work +
            lines.select(&:setting).map { |line| {id: line.work, text: line.setting} }
        end

        # What nobody has comes last; then grade, then how soon and at what price it is here, then minutes and watts.
        # A kit made for another original comes after those made for this one.
        def rank
          [
            (motor.obtainable == false) ? 1 : 0,
            Match::GRADES.index(grade),
            (motor.kit? && !listed?) ? 1 : 0,
            motor.available_hours || 0,
            motor.landed_cents || motor.price_cents || Float::INFINITY,
            minutes,
            motor.watts || 0,
            motor.part_no.to_s
          ]
        end

        # Its maker lists it as a replacement of the old one, or the old one's maker names it.
        def listed?
          !old.part_no.nil? && (motor.cross_reference.include?(old.part_no) || old.superseded_by == motor.part_no)
        end

        def to_h
          {
            part_no: motor.part_no,
            grade:,
            checks: lines.map(&:to_h),
            extra_parts: adapting.filter_map(&:part),
            extra_minutes: minutes,
            extra_work:,
            listed: listed?,
            settings: lines.filter_map(&:setting),
            also: beside,
            transfers: Transfers.of(motor, place),
            kit: kit,
            effects:
          }
        end

        # Quoted with it whatever the checks say.
        def beside
          if motor.capacitor_uf
            ["run capacitor #{Quantities.tidy(motor.capacitor_uf)} µF, new: it costs little beside the trip"]
          else
            []
          end
        end

        # A kit's minutes spread over what its sheet names, the rest on the first.
        def kit_work
          return [] unless motor.kit?
          list = motor.kit_work.empty? ? [nil] : motor.kit_work
          share, rest = motor.kit_minutes.to_i.divmod(list.size)
          list.each_with_index.map do |text, index|
            {id: "kit", text:, minutes: share + (index.zero? ? rest : 0)}.compact
          end.reject { |one| one[:text].nil? && motor.kit_minutes.nil? }
        end

        def kit
          motor.kit? ? {contents: motor.contents, work: motor.kit_work, leaves: motor.kit_leaves} : nil
        end
      end
  end
end
