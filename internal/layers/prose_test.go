package layers

import (
	"go/ast"
	"go/parser"
	"go/token"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"testing"
)

// sentence is three words in a row, as people write them.
var sentence = regexp.MustCompile(`[\p{L}’']{2,}[ ,;:]+[\p{L}’']{1,}[ ,;:]+[\p{L}’']{2,}`)

// The pure packages hold no prose: they give codes, and package words says them. Errors
// that are made of a sentinel are for a log.
func TestPurePackagesHoldNoProse(t *testing.T) {
	for _, pkg := range []string{"evidence", "phenology", "fieldgeo", "lot", "harvest", "incident", "sampling", "plan"} {
		files, err := filepath.Glob("../../" + pkg + "/*.go")
		if err != nil || len(files) == 0 {
			t.Fatal(pkg, files, err)
		}
		for _, name := range files {
			if strings.HasSuffix(name, "_test.go") {
				continue
			}
			set := token.NewFileSet()
			file, err := parser.ParseFile(set, name, nil, 0)
			if err != nil {
				t.Fatal(err)
			}
			ast.Inspect(file, func(n ast.Node) bool {
				switch x := n.(type) {
				case *ast.Field:
					return x.Tag == nil || len(x.Names) > 0 // a tag is for the API
				case *ast.CallExpr:
					if f, ok := x.Fun.(*ast.SelectorExpr); ok && (f.Sel.Name == "New" || f.Sel.Name == "Errorf") {
						return false
					}
				case *ast.BasicLit:
					if x.Kind != token.STRING {
						return true
					}
					if s, err := strconv.Unquote(x.Value); err == nil && sentence.MatchString(s) {
						t.Errorf("%s: %q is prose; it belongs into package words", set.Position(x.Pos()), s)
					}
				}
				return true
			})
		}
	}
}
