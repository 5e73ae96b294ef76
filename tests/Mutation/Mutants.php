<?php

declare(strict_types=1);

namespace Tests\Mutation;

use PhpParser\Node;
use PhpParser\Node\Expr;
use PhpParser\Node\Expr\BinaryOp;
use PhpParser\Node\Scalar;
use PhpParser\NodeTraverser;
use PhpParser\NodeVisitor;
use PhpParser\NodeVisitorAbstract;
use PhpParser\ParserFactory;

/** Every small change that can be made to a file: another operator, another number, the other branch, the other answer. */
final class Mutants extends NodeVisitorAbstract
{
    private const OPERATORS = [
        BinaryOp\Plus::class => ['+', '-'],
        BinaryOp\Minus::class => ['-', '+'],
        BinaryOp\Mul::class => ['*', '/'],
        BinaryOp\Div::class => ['/', '*'],
        BinaryOp\Smaller::class => ['<', '<='],
        BinaryOp\SmallerOrEqual::class => ['<=', '<'],
        BinaryOp\Greater::class => ['>', '>='],
        BinaryOp\GreaterOrEqual::class => ['>=', '>'],
        BinaryOp\Identical::class => ['===', '!=='],
        BinaryOp\NotIdentical::class => ['!==', '==='],
        BinaryOp\BooleanAnd::class => ['&&', '||'],
        BinaryOp\BooleanOr::class => ['||', '&&'],
    ];

    private const FUNCTIONS = ['min' => 'max', 'max' => 'min', 'floor' => 'ceil', 'ceil' => 'floor'];

    /** Numbers that only say how finely something is told apart: no grower could tell. */
    private const FINE = '/ROUNDING|TOLERANCE|^TIE|^DIGITS/';

    /** Their third argument says that types count: what is looked for is mostly of one type. */
    private const STRICT = ['in_array', 'array_search', 'array_keys'];

    /** @var list<Mutant> */
    private array $found = [];

    /** @var array<int, true> nodes that are left as they are: the true of a `match (true)`, a strict flag */
    private array $left = [];

    private function __construct(private readonly string $file, private readonly string $code)
    {
    }

    /** @return list<Mutant> in the order in which they stand */
    public static function of(string $file, string $code): array
    {
        $finder = new self($file, $code);
        $traverser = new NodeTraverser($finder);
        $traverser->traverse((new ParserFactory)->createForHostVersion()->parse($code) ?? []);

        return $finder->found;
    }

    public function enterNode(Node $node): ?int
    {
        // What is only said when something is refused, and what numbers are told apart by, is left as it is.
        if (
            $node instanceof Expr\Throw_
            || $node instanceof Node\Attribute
            || $node instanceof Node\Stmt\Declare_
            || isset($this->left[spl_object_id($node)])
            || ($node instanceof Node\Const_ && preg_match(self::FINE, (string) $node->name) === 1)
        ) {
            return NodeVisitor::DONT_TRAVERSE_CHILDREN;
        }
        if ($node instanceof Expr\Match_) {
            $this->left[spl_object_id($node->cond)] = true;
        }
        if ($node instanceof Expr\FuncCall && $node->name instanceof Node\Name && in_array(
            $node->name->toLowerString(),
            self::STRICT,
            true,
        )) {
            $this->left[spl_object_id($node->args[2] ?? $node)] = true;
        }
        match (true) {
            isset(self::OPERATORS[$node::class]) && $node instanceof BinaryOp => $this->operator($node, ...self::OPERATORS[$node::class]),
            $node instanceof Expr\BooleanNot => $this->add($node, $this->text($node->expr)),
            $node instanceof Scalar\Int_ => $this->add($node, (string) ($node->value + 1)),
            $node instanceof Scalar\Float_ => $this->add($node, $node->value === 0.0 ? '1.0' : var_export($node->value * 1.1, true)),
            $node instanceof Expr\ConstFetch => $this->constant($node),
            $node instanceof Expr\Ternary && $node->if !== null => $this->add(
                $node,
                $this->text($node->cond).' ? ('.$this->text($node->else).') : ('.$this->text($node->if).')',
            ),
            $node instanceof Expr\FuncCall && $node->name instanceof Node\Name => $this->call($node, $node->name),
            default => null,
        };

        return null;
    }

    private function operator(BinaryOp $node, string $is, string $becomes): void
    {
        $from = $node->left->getEndFilePos() + 1;
        $at = strpos($this->code, $is, $from);
        if ($at !== false && $at < $node->right->getStartFilePos()) {
            $this->found[] = new Mutant($this->file, $node->right->getStartLine(), $at, strlen($is), $becomes);
        }
    }

    private function constant(Expr\ConstFetch $node): void
    {
        $other = ['true' => 'false', 'false' => 'true'][$node->name->toLowerString()] ?? null;
        if ($other !== null) {
            $this->add($node, $other);
        }
    }

    private function call(Expr\FuncCall $node, Node\Name $name): void
    {
        $other = self::FUNCTIONS[$name->toLowerString()] ?? null;
        if ($other !== null && ! $node->isFirstClassCallable()) {
            $this->add($name, $other);
        }
    }

    private function add(Node $node, string $becomes): void
    {
        $start = $node->getStartFilePos();
        $this->found[] = new Mutant($this->file, $node->getStartLine(), $start, $node->getEndFilePos() + 1 - $start, $becomes);
    }

    private function text(Node $node): string
    {
        return substr($this->code, $node->getStartFilePos(), $node->getEndFilePos() + 1 - $node->getStartFilePos());
    }
}
