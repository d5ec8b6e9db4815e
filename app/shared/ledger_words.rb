# frozen_string_literal: true

module Shared
  # What was noted of refrigerant, in words.
  module LedgerWords
    GLASSES = {"clear" => "Clear", "flashing" => "Flashing", "empty" => "Not full", "none" => "There is none"}.freeze
    HOW = {"detector" => "Detector", "bubbles" => "Bubbles", "standing" => "Standing pressure", "eye" => "By eye, oil"}
      .freeze

    # "8 kg added from C-12"
    # @param move [RefrigerantMove, Fenbo::JobFile::RefrigerantMove]
    def moved_words(move, label = move.cylinder)
      kg = show((move.before_kg - move.after_kg).abs.round(3), "mass")
      (move.kind == "added") ? "#{kg} added from #{label}" : "#{kg} recovered into #{label}"
    end

    # How things stood when it was done.
    def stood_words(move)
      [move.fans_running && "#{count(move.fans_running, "fan")} on",
        move.ambient_c && "#{show(move.ambient_c, "temperature")} outside",
        move.sight_glass && "glass #{GLASSES[move.sight_glass].downcase}", move.note].compact.join(", ")
    end

    def leak_words(leak)
      found = leak.found ? "found at #{leak.place}" : "none at #{leak.place}"
      [HOW.fetch(leak.how, leak.how), found, leak.done].compact.join(", ")
    end

    def check_words(check)
      [check.tight ? "holds" : "does not hold", HOW.fetch(check.how, check.how).downcase, check.note]
        .compact.join(", ")
    end
  end
end
