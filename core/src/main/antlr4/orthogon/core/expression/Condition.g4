grammar Condition;


whole : expression EOF ;

expression : conjunction (OR conjunction)* ;
conjunction : comparison (AND comparison)* ;

comparison
    : sum (op=(EQ | NE | LT | LE | GT | GE) sum
        | BETWEEN low=sum AND high=sum
        | IN (range | LPAREN expression (COMMA expression)+ RPAREN | sum))?
    ;

range : (open=LBRACKET | open=LPAREN | open=RBRACKET) low=sum DOTS high=sum (close=RBRACKET | close=RPAREN | close=LBRACKET) ;

sum : product (op+=(PLUS | MINUS) product)* ;
product : power (op+=(TIMES | DIVIDE) power)* ;
power : unary (POWER unary)* ;
unary : MINUS unary | primary ;

primary
    : NUMBER                                                   # number
    | STRING                                                   # string
    | TRUE                                                     # yes
    | FALSE                                                    # no
    | NULL                                                     # nothing
    | (NAME | FNAME | NOT) LPAREN (expression (COMMA expression)*)? RPAREN  # call
    | NAME (DOT NAME)*                                         # name
    | LBRACKET (expression (COMMA expression)*)? RBRACKET      # list
    | LPAREN expression RPAREN                                 # group
    | IF expression THEN expression ELSE expression            # choose
    | (SOME | EVERY) NAME IN expression (COMMA NAME IN expression)* SATISFIES expression  # quantified
    ;

IF : 'if' ;
THEN : 'then' ;
ELSE : 'else' ;
SOME : 'some' ;
EVERY : 'every' ;
IN : 'in' ;
SATISFIES : 'satisfies' ;
BETWEEN : 'between' ;
AND : 'and' ;
OR : 'or' ;
NOT : 'not' ;
TRUE : 'true' ;
FALSE : 'false' ;
NULL : 'null' ;

FNAME
    : 'list' GAP 'contains'
    | 'string' GAP 'length'
    | 'string' GAP 'join'
    | 'starts' GAP 'with'
    | 'ends' GAP 'with'
    | 'upper' GAP 'case'
    | 'lower' GAP 'case'
    | 'round' GAP 'half' GAP 'up'
    | 'years' GAP 'and' GAP 'months' GAP 'duration'
    ;

NAME : [a-zA-Z] [a-zA-Z0-9_]* ;
NUMBER : [0-9]+ ('.' [0-9]+)? | '.' [0-9]+ ;
STRING : '"' ( '\\' . | ~["\\] )* '"' ;

DOTS : '..' ;
DOT : '.' ;
POWER : '**' ;
TIMES : '*' ;
DIVIDE : '/' ;
PLUS : '+' ;
MINUS : '-' ;
NE : '!=' ;
LE : '<=' ;
GE : '>=' ;
EQ : '=' ;
LT : '<' ;
GT : '>' ;
LPAREN : '(' ;
RPAREN : ')' ;
LBRACKET : '[' ;
RBRACKET : ']' ;
COMMA : ',' ;

SPACE : [ \t\r\n\u00a0]+ -> skip ;
ODD : . ;

fragment GAP : [ \t\r\n\u00a0]+ ;
