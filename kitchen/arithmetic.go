package kitchen

import (
	"zestythicket/quantity"
	"zestythicket/records"
)

// Sum is the outcome of plain arithmetic, with the working and the line that goes
// with it.
type Sum struct {
	Value   string `json:"value"`
	Working string `json:"working"`
	Line    string `json:"line" doc:"What it is not"`
}

// arithmeticLine goes with every sum.
const arithmeticLine = "Arithmetic of a recipe. It is no dose and no advice for anybody: what a person takes is for licensed practice to decide."

// Arithmetic scales a recipe, takes a share of a formula, or turns a weight into a
// volume.
func Arithmetic(kind, a, b, c string) (*Sum, error) {
	bad := &records.Invalid{}
	read := func(path, text string) quantity.Amount {
		v, err := quantity.Parse(text)
		if err != nil {
			bad.Add("query."+path, "no-number", text)
		}
		return v
	}
	x, y := read("a", a), read("b", b)
	var z quantity.Amount
	if kind == "scale" {
		z = read("c", c)
	}
	if err := bad.OrNil(); err != nil {
		return nil, err
	}
	out := &Sum{Line: arithmeticLine}
	switch kind {
	case "scale":
		v, err := quantity.Scale(x, y, z)
		if err != nil {
			return nil, records.Refuse("query.b", "recipe-of-nothing")
		}
		out.Value, out.Working = v.String(), x.String()+" × "+z.String()+" ÷ "+y.String()+" = "+v.String()
	case "share":
		v := quantity.ShareOf(x, y)
		out.Value, out.Working = v.String(), y.String()+" % of "+x.String()+" = "+v.String()
	default:
		v := quantity.Ratio(x, y)
		out.Value, out.Working = v.String(), x.String()+" g at 1 : "+y.String()+" = "+v.String()+" ml"
	}
	return out, nil
}
