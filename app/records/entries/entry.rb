# frozen_string_literal: true

module Entries
  # What every entry can be asked. A small value: made of what was sent, it knows what the
  # sender needs to be allowed, what stands against it, and which rows it becomes.
  module Entry
    # What a role must allow.
    def action = :record

    # The row it has become already, by the id its sender gave it.
    # @param _book [Logbook]
    def known(_book) = nil

    # Whether a job that is closed or cancelled takes it: only what ends or reopens it.
    def after_closing? = false

    # [field, sentence] where it cannot be taken; nil where it can.
    # @param _book [Logbook]
    def against(_book) = nil

    # A shape of an entry.
    def self.of(*required, **defaults, &body)
      Fenbo::Value.of(*required, **defaults) do
        include Entry

        class_eval(&body) if body
      end
    end
  end
end
