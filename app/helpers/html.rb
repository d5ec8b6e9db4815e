# frozen_string_literal: true

module Helpers
  # Forms, their hidden parts, and pieces every page needs.
  module Html
    def h(text) = Rack::Utils.escape_html(text.to_s)

    # Hidden fields of every form: forgery token, and the id that makes a repeat
    # harmless (the browser puts its own in when scripts run).
    def form_tags
      %(<input type="hidden" name="authenticity_token" value="#{h(Rack::Protection::AuthenticityToken.token(session))}">) +
        %(<input type="hidden" name="client_id" value="#{SecureRandom.uuid}" data-client-id>)
    end

    def csrf_token = Rack::Protection::AuthenticityToken.token(session)

    def partial(name, **locals) = erb(:"partials/#{name}", layout: false, locals:)

    # A labelled field with its unit, hint and fault.
    def field(name, label, value: nil, fault: nil, unit: nil, hint: nil, type: "text", **attributes)
      partial(:field, name:, label:, value:, fault:, unit:, hint:, type:, attributes:)
    end

    def choices(name, label, options, value: nil, fault: nil, hint: nil)
      partial(:choices, name:, label:, options:, value:, fault:, hint:)
    end

    def attributes(pairs)
      pairs.compact.map { |key, value|
        unless value == false
          (value == true) ? key.to_s.tr("_", "-") : %(#{key.to_s.tr("_", "-")}="#{h(value)}")
        end
      }.compact.join(" ")
    end

    def asset(name)
      file = File.join(Web::ROOT, "public/assets", name)
      "/assets/#{name}?#{File.exist?(file) ? File.mtime(file).to_i : 0}"
    end

    def current?(path) = (request.path == path) ? "page" : nil
  end
end
