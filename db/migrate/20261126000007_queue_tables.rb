# frozen_string_literal: true

# The tables of the job queue: work beside the requests, kept until it is done.
class QueueTables < ActiveRecord::Migration[7.2]
  def up = Que.migrate!(version: 7)

  def down = Que.migrate!(version: 0)
end
