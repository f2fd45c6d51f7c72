package evidence

import (
	"math/rand/v2"
	"testing"

	"zestythicket/guide"
)

// The synthetic guide of the benchmarks: 10,000 taxa × 200 traits, 30 % of the
// taxa dangerous, 30 % of the cells documented.
func benchGuide(b *testing.B) (*Engine, *guide.Guide, []*Find) {
	b.Helper()
	r := rand.New(rand.NewPCG(1, 2))
	book := synthDecisive(r, 10_000, 200, 50)
	ix, err := guide.Compile(book, guide.DefaultWeights())
	if err != nil {
		b.Fatal(err)
	}
	return New(ix, StandardDefaults()), book, nil
}

func benchJudge(b *testing.B, answers int) {
	e, book, _ := benchGuide(b)
	r := rand.New(rand.NewPCG(3, 4))
	finds := make([]*Find, 16)
	for i := range finds {
		finds[i] = synthFind(r, book, answers)
		// Half with a target, half without, as drawn.
	}
	b.ReportAllocs()
	b.ResetTimer()
	for i := 0; i < b.N; i++ {
		j := e.Judge(finds[i%len(finds)], "s1")
		if j.Next.Trait < 0 && answers == 0 {
			b.Fatal("no check was offered")
		}
	}
}

// BenchmarkJudge evaluates one find and chooses the next check.
func BenchmarkJudge0(b *testing.B)  { benchJudge(b, 0) }
func BenchmarkJudge15(b *testing.B) { benchJudge(b, 15) }

// BenchmarkPlain does by the plain reference what the engine does for a find of
// 15 answers, on a guide small enough for it; BenchmarkEngineSame is the engine
// on the same guide, so that the two give a ratio.
func samePair() (*Engine, *plain, *Find) {
	r := rand.New(rand.NewPCG(5, 6))
	book := synthBook(r, 200, 40)
	ix, err := guide.Compile(book, guide.DefaultWeights())
	if err != nil {
		panic(err)
	}
	e := New(ix, StandardDefaults())
	return e, newPlain(book, e.def), synthFind(r, book, 8)
}

func BenchmarkPlain(b *testing.B) {
	e, p, f := samePair()
	tr := e.trial(f, "s1")
	for i := 0; i < b.N; i++ {
		p.standing(f, tr.rs, tr.sc.stages)
		sheet := p.sheet(f, tr.rs, &tr.sc, p.taxonAt(tr.ref))
		for k := range p.b.Taxa {
			if g := p.b.Taxa[k].Hazards[0].Grade; g > 0 {
				sheet.against(&p.b.Taxa[k], g)
			}
		}
	}
}

func BenchmarkEngineSame(b *testing.B) {
	e, _, f := samePair()
	for i := 0; i < b.N; i++ {
		e.Judge(f, "s1")
	}
}
