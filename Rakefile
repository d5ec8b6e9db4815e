# frozen_string_literal: true

namespace :knowledge do
  desc "Prove that every knowledge file is complete and holds together"
  task :check do
    $LOAD_PATH.unshift File.expand_path("lib", __dir__)
    require "fenbo"
    require "fenbo/kernel/knowledge_check"
    report = Fenbo::KnowledgeCheck.new.run
    report.notes.each { |note| puts "  #{note}" }
    abort report.faults.map { |fault| "  mend: #{fault}" }.join("\n") if report.faults.any?
    puts "knowledge: #{Fenbo::Knowledge.names.size} files hold together"
  end
end

desc "Prove that no room uses another's insides, and draw who uses whom"
task :rooms do
  require_relative "script/lib/rooms"
  rooms = Rooms.new(__dir__)
  abort rooms.faults.map { |fault| "  mend: #{fault}" }.join("\n") if rooms.faults.any?
  puts rooms.arrows
end

namespace :gems do
  desc "Write config/gems.lock from Gemfile.lock, without the registry's name"
  task :lock do
    text = File.read("Gemfile.lock").sub(/^  remote: .*$/, "  remote: {{registry}}")
    File.write("config/gems.lock", text)
  end
end
