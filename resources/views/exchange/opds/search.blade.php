{!! '<?xml version="1.0" encoding="UTF-8"?>' !!}
<OpenSearchDescription xmlns="http://a9.com/-/spec/opensearch/1.1/">
    <ShortName>{{ mb_substr($name, 0, 16) }}</ShortName>
    <Description>{{ __('opds.search') }}</Description>
    <InputEncoding>UTF-8</InputEncoding>
    <OutputEncoding>UTF-8</OutputEncoding>
    <Url type="{{ $type }}" template="{{ $template }}"/>
</OpenSearchDescription>
