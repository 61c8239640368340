"""Reads a workbook from the standard input with nothing but Python's own library, and writes its rows as JSON."""
import io
import json
import sys
import xml.etree.ElementTree as xml
import zipfile

MAIN = '{http://schemas.openxmlformats.org/spreadsheetml/2006/main}'
archive = zipfile.ZipFile(io.BytesIO(sys.stdin.buffer.read()))
assert archive.testzip() is None, 'a sum is wrong'
types = xml.fromstring(archive.read('[Content_Types].xml'))
for part in types.iter('{http://schemas.openxmlformats.org/package/2006/content-types}Override'):
    xml.fromstring(archive.read(part.attrib['PartName'][1:]))
rows = []
for row in xml.fromstring(archive.read('xl/worksheets/sheet1.xml')).iter(MAIN + 'row'):
    cells = {}
    for cell in row.iter(MAIN + 'c'):
        assert cell.attrib['t'] == 'inlineStr', 'a cell is no text'
        assert cell.find(MAIN + 'f') is None, 'a cell is a formula'
        cells[cell.attrib['r']] = ''.join(text.text or '' for text in cell.iter(MAIN + 't'))
    rows.append(cells)
json.dump(rows, sys.stdout)
