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

desc "Draw which room uses which, after proving that none uses another's insides"
task rooms: "rooms:check" do
  puts Rooms.new(__dir__).arrows
end

namespace :rooms do
  desc "Prove that no room uses another's insides"
  task :check do
    require_relative "script/lib/rooms"
    faults = Rooms.new(__dir__).faults
    abort faults.map { |fault| "  mend: #{fault}" }.join("\n") if faults.any?
  end
end

namespace :gems do
  desc "Write config/gems.lock from Gemfile.lock, without the registry's name"
  task :lock do
    text = File.read("Gemfile.lock").sub(/^  remote: .*$/, "  remote: {{registry}}")
    File.write("config/gems.lock", text)
  end
end
