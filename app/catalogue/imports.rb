# frozen_string_literal: true

module Catalogue
  # Catalogue files in: looked through, shown, then taken as a whole or dropped.
  class Imports < Shared::Route
    include ColumnWords

    before { need(:edit_catalogue) if current_user }

    get "/imports/?" do
      list
    end

    post "/imports" do
      file = ImportFile.new(params[:file], current_user)
      import = file.receive
      halt 422, list(fault: file.fault) unless import
      Work.look(import)
      redirect to("/imports/#{import.id}"), 303
    end

    get "/imports/:id" do
      erb :import, locals: {import:}
    end

    # How far it is, asked every second while it runs.
    get "/imports/:id/progress" do
      partial :import_progress, import:
    end

    post "/imports/:id/take" do
      taken = Work.take(import)
      unless taken
        halt(
          *refuse(
            422,
            "It cannot be taken now",
            (
              if import.faulty.positive?
                "Rows with faults stand in it: mend the file and bring it again."
              else
                "It is #{import.state} already."
              end
            )
          )
        )
      end
      redirect to("/imports/#{import.id}"), 303
    end

    post "/imports/:id/again" do
      untouched
      Work.look(import)
      redirect to("/imports/#{import.id}"), 303
    end

    post "/imports/:id/drop" do
      untouched
      import.destroy!
      back_to "/imports", "#{import.file_name} dropped; the catalogue is as it was."
    end

    private

    # Neither in somebody's hands nor in the catalogue already.
    def untouched
      halt(*refuse(422, "It is being worked on", "Wait for it to end.")) if import.running?
      return unless import.state == "taken"
      halt(*refuse(422, "It is taken already", "Its rows are in the catalogue; another file changes them."))
    end

    def import = @import ||= CatalogueImport.find(whole(params[:id]))

    def list(fault: nil)
      erb(
        :imports,
        locals: {
          imports:
            CatalogueImport
              .select(CatalogueImport.column_names - %w[content faults differences])
              .includes(:user)
              .order(id: :desc)
              .limit(20),
          fault:
        }
      )
    end
  end
end
