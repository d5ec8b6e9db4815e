# frozen_string_literal: true

# Who lives in the demo world; bin/start prints their sign-ins.
module Demos
  PASSWORD = "frost and copper"
  PEOPLE = [
    {login: "ilka", name: "Ilka Torvend", role: "technician"},
    {login: "jorun", name: "Jorun Askel", role: "technician"},
    {login: "pavo", name: "Pavo Lindqvar", role: "technician"},
    {login: "mette", name: "Mette Orsk", role: "office"},
    {login: "sefa", name: "Sefa Brannik", role: "apprentice"}
  ].freeze
end
