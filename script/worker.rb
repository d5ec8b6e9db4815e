# frozen_string_literal: true

# Does what waits in the work queue, beside the web server; bin/start runs it and starts
# it again should it end. It ends with whoever started it.
require "bundler/setup"
require_relative "../app/boot"

parent = Process.ppid
stop = false
%w[TERM INT].each { |signal| trap(signal) { stop = true } }

Que.error_notifier = ->(problem, work) { warn "#{work && work[:job_class]}: #{problem.class}: #{problem.message}" }
WorkQueue.prepare
Suppliers::Ordering.take_up
locker = Que::Locker.new(worker_priorities: [nil, nil], poll_interval: 5)
sleep 0.5 until stop || Process.ppid != parent
locker.stop!
